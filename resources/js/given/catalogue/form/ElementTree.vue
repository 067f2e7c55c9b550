<script setup lang="ts">
import { computed, ref } from 'vue'
import { hex } from '../../../ui/colours'
import SchemaField from './SchemaField.vue'
import { added, at, changed, moved, outline, removed, repeated, type Element, type Place } from './elements'
import { ofKind, saying, typed } from './schema'

/** What a cable is made of, from the sheath inwards: an outline, each line with what lies in it below. */
const props = defineProps<{
  root: Element
  wrong: Record<string, string>
  names: Record<string, { id: string; name: string }[]>
}>()
const emit = defineEmits<{ update: [Element] }>()
const KINDS = ['core', 'drain', 'screen', 'foil', 'pair', 'triad', 'quad', 'coax', 'group']
const HOLDS = new Set(['pair', 'triad', 'quad', 'coax', 'group'])
const IN_LINE = new Set(['key', 'kind', 'label', 'colour', 'gauge', 'strands', 'diameter', 'children'])
const open = ref('')
const many = ref(2)
const colours = ref('')
const lines = computed(() => outline(props.root))
const more = Object.entries(ofKind('element').properties ?? {}).filter(([key]) => !IN_LINE.has(key) && key !== 'count')
const path = (place: Place) => `construction${place.map(i => `.children[${i}]`).join('')}`
const id = (place: Place) => place.join('.')
const wrongIn = (place: Place) =>
  Object.entries(props.wrong)
    .filter(([key]) => key.startsWith(`${path(place)}.`) && !key.startsWith(`${path(place)}.children`))
    .map(([key, words]) => `${key.slice(path(place).length + 1)} ${words}`)
    .join(' ')
const set = (place: Place, key: string, value: unknown) =>
  emit(
    'update',
    changed(props.root, place, of => saying(of, key, value) as Element),
  )
const repeat = (place: Place) => {
  const turn = colours.value.split(',').map(each => each.trim())
  emit('update', repeated(props.root, place, Number(many.value) || 1, turn.filter(Boolean)))
  open.value = ''
}
const words = (element: Element) => element.label || element.key
const swatch = (element: Element) => hex(String(element.colour ?? '').split('/')[0] ?? '')
</script>

<template>
  <section class="tree" aria-label="What it is made of">
    <h2>What it is made of <span class="quiet">from the sheath inwards</span></h2>
    <table class="lines">
      <thead><tr><th>What it is</th><th>Key</th><th>Said as</th><th>Colour</th><th>Conductor</th><th>Strands</th>
        <th>Diameter</th><th /></tr></thead>
      <tbody>
        <template v-for="{ element, place } in lines" :key="id(place)">
          <tr>
            <td :style="{ paddingLeft: `${(place.length - 1) * 18}px` }"><span class="pair"><i
              :style="{ background: swatch(element) }" /><select
              :aria-label="`${words(element)}: what it is`"
              :value="element.kind"
              @change="set(place, 'kind', ($event.target as HTMLSelectElement).value)"><option
                v-for="kind in KINDS"
                :key="kind">{{ kind }}</option></select></span></td>
            <td v-for="key in ['key', 'label', 'colour', 'gauge', 'strands', 'diameter']" :key="key" :class="key"><input
              v-if="!['gauge', 'strands'].includes(key) || !HOLDS.has(element.kind)"
              :aria-label="`${words(element)}: ${key}`"
              :value="element[key] ?? ''"
              @change="set(place, key, key === 'strands' ? typed(($event.target as HTMLInputElement).value)
                : ($event.target as HTMLInputElement).value)"></td>
            <td class="acts"><button
              type="button"
              :aria-expanded="open === id(place)"
              :aria-label="`${words(element)}: ${open === id(place) ? 'less' : 'more'}`"
              @click="open = open === id(place) ? '' : id(place)">{{ open === id(place) ? 'less' : 'more' }}</button>
            </td>
          </tr>
          <tr v-if="wrongIn(place)"><td colspan="8"><b class="wrong">{{ wrongIn(place) }}</b></td></tr>
          <tr v-if="open === id(place)"><td colspan="8" class="unfolded">
            <p class="entry">
              <button type="button" @click="emit('update', moved(root, place, -1))">up</button>
              <button type="button" @click="emit('update', moved(root, place, 1))">down</button>
              <button type="button" @click="emit('update', removed(root, place)); open = ''">take out</button>
              <template v-if="HOLDS.has(element.kind)"><span class="quiet">put into it</span><button
                v-for="kind in KINDS"
                :key="kind"
                type="button"
                @click="emit('update', added(root, place, kind))">{{ kind }}</button></template>
            </p>
            <p class="entry repeat"><label>So many like it <input
                                      v-model="many"
                                      type="number"
                                      min="1"
                                      max="200"></label>
              <label>Colours in turn <input v-model="colours" placeholder="brown, red, orange"></label>
              <button type="button" @click="repeat(place)">Repeat {{ words(element) }}</button></p>
            <div class="fields"><SchemaField
              v-for="[key, schema] in more"
              :key="key"
              kind="element"
              :name="key"
              :schema="schema"
              :value="at(root, place)[key]"
              :path="`${path(place)}.${key}`"
              :wrong="wrong"
              :names="names"
              @update="set(place, key, $event)" /></div>
          </td></tr>
        </template>
      </tbody>
    </table>
    <p class="entry"><span class="quiet">In the sheath:</span><button
      v-for="kind in KINDS"
      :key="kind"
      type="button"
      :aria-label="`Put a ${kind} into the sheath`"
      @click="emit('update', added(root, [], kind))">{{ kind }}</button></p>
    <div class="fields"><SchemaField
      v-for="[key, schema] in more.filter(([name]) => ['prepares', 'layers', 'domain'].includes(name))"
      :key="key"
      kind="element"
      :name="key"
      :schema="schema"
      :value="root[key]"
      :path="`construction.${key}`"
      :wrong="wrong"
      :names="names"
      @update="set([], key, $event)" /></div>
    <b v-if="wrong.construction" class="wrong">{{ wrong.construction }}</b>
  </section>
</template>

<style scoped src="./form.css" />
<style scoped>
.tree {
  border-top: 1px solid var(--line);
  overflow: auto;
}
.lines td {
  padding: 2px 4px;
}
td:first-child select {
  min-width: 76px;
}
.key,
.strands {
  width: 64px;
}
.gauge,
.diameter {
  width: 96px;
}
i {
  flex: none;
  align-self: center;
  width: 10px;
  height: 10px;
  border-radius: 50%;
  box-shadow: 0 0 0 1px var(--slate);
}
.unfolded {
  background: var(--chosen);
}
.entry {
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
.repeat label {
  display: flex;
  gap: 6px;
  align-items: center;
}
.repeat input[type='number'] {
  width: 70px;
}
</style>
