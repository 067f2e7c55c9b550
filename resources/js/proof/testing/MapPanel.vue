<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import type { Probe, TestSheet } from '../../api/test'
import ConnectorView from '../../ui/ConnectorView.vue'
import { named, same, token, typed } from './reading'
import { useLines } from './useLines'

/** The map, line by line: two connectors face to face; press what lights, or type it. */
const props = defineProps<{
  sheet: TestSheet
  lights: Record<string, string[]>
  declared: string[]
  expectedIn?: Record<string, string[]>
}>()
const emit = defineEmits<{ light: [node: string, lights: string[], declared: boolean] }>()

const from = computed(() =>
  props.expectedIn ? props.sheet.from.filter(probe => probe.node in props.expectedIn!) : props.sheet.from,
)
const {
  at,
  entry,
  wrong: entryWrong,
  go,
  next,
  first,
} = useLines(
  () => from.value.length,
  i => props.lights[from.value[i]!.node] !== undefined,
  'line',
)
/** Enter answers for the line in hand at once; on glass that would bring up the keyboard over it. */
const field = ref<HTMLInputElement | null>(null)
onMounted(() => {
  if (window.matchMedia('(pointer: fine)').matches) field.value?.focus()
})
const current = computed<Probe | undefined>(() => from.value[at.value])
const read = computed(() => from.value.filter(probe => props.lights[probe.node]).length)
const expected = (probe: Probe) => (props.expectedIn ?? props.sheet.expected)[probe.node] ?? []
const state = (probe: Probe) => {
  const lights = props.lights[probe.node]
  return !lights ? 'open' : same(lights, expected(probe)) ? 'good' : 'bad'
}
const tokens = (nodes: string[]) =>
  nodes.length === 0
    ? 'nothing'
    : nodes
        .map(node => {
          const probe = props.sheet.to.find(each => each.node === node)
          return probe ? token(probe, props.sheet) : node
        })
        .join(' ')

function enter() {
  if (!current.value) return
  const answer = typed(entry.value, expected(current.value), props.sheet)
  if ('wrong' in answer) {
    entryWrong.value = answer.wrong
    return
  }
  emit('light', current.value.node, answer.lights, false)
  next()
}
function nothing() {
  if (!current.value) return
  emit('light', current.value.node, [], false)
  next()
}
/** Pressing a contact on the far connector lights it, or puts it out again. */
function press(fitting: string, address: string) {
  const probe = current.value
  const node = props.sheet.to.find(each => each.fitting === fitting && each.address === address)?.node
  if (!probe || !node) return
  const lit = props.lights[probe.node] ?? []
  emit('light', probe.node, lit.includes(node) ? lit.filter(each => each !== node) : [...lit, node], false)
}
watch(() => props.sheet, first, { immediate: true })

const near = computed(() => props.sheet.fittings[current.value?.fitting ?? ''])
/** The far connector that matters for this line: where something lights or should, else the first. */
const farId = computed(() => {
  if (!current.value) return ''
  const node = [...(props.lights[current.value.node] ?? []), ...expected(current.value)][0]
  return (node ? props.sheet.to.find(probe => probe.node === node)?.fitting : props.sheet.to[0]?.fitting) ?? ''
})
const chosenFar = ref('')
watch(at, () => {
  chosenFar.value = ''
})
const farShown = computed(() => chosenFar.value || farId.value)
const far = computed(() => props.sheet.fittings[farShown.value])
const farFittings = computed(() => [...new Set(props.sheet.to.map(probe => probe.fitting))].filter(Boolean))
const litFar = computed(() =>
  (props.lights[current.value?.node ?? ''] ?? [])
    .map(node => props.sheet.to.find(probe => probe.node === node))
    .filter(probe => probe?.fitting === farShown.value)
    .map(probe => probe!.address),
)

/** A channel of a many-way connector: its lines together. */
const channelOf = (probe: Probe) => `${probe.fitting}|${probe.channel}`
const channels = computed(() => new Set(from.value.filter(probe => probe.channel).map(channelOf)).size)
const channel = computed(() =>
  current.value?.channel ? from.value.filter(probe => channelOf(probe) === channelOf(current.value!)) : [],
)
/** Somebody says that it is as expected: it is written down as said, not as read. */
function declare() {
  for (const probe of channel.value)
    if (!props.lights[probe.node]) emit('light', probe.node, [...expected(probe)], true)
  next()
}
</script>

<template>
  <div class="map">
    <div class="faces">
      <div v-if="near?.drawing">
        <ConnectorView
          :drawing="near.drawing"
          view="face"
          :current="current?.address"
          :lit="current ? [current.address] : []"
          :height="150" />
        <p>{{ near.label }} · {{ near.location }}</p>
      </div>
      <div v-if="far?.drawing">
        <ConnectorView
          :drawing="far.drawing"
          view="face"
          pressable
          :lit="litFar"
          :height="far.drawing.cavities.length > 40 ? 330 : 150"
          @press="press(farShown, $event)" />
        <p>{{ far.label }} · {{ far.location }}
          <button
            v-for="shell in far.drawing.shells"
            :key="shell"
            class="shell"
            :aria-pressed="litFar.includes(shell)"
            @click="press(farShown, shell)">{{ shell }}</button></p>
        <p v-if="farFittings.length > 1" class="legs"><button
          v-for="fitting in farFittings"
          :key="fitting"
          :aria-pressed="fitting === farShown"
          @click="chosenFar = fitting">{{ sheet.fittings[fitting]?.tag }}</button></p>
      </div>
    </div>
    <form v-if="current" class="entry" @submit.prevent="enter">
      <label for="entry">Probe <b class="mono">{{ named(current, sheet) }}</b>: should light
        <b class="mono">{{ tokens(expected(current)) }}</b>
      </label>
      <div class="keys">
        <input
          id="entry"
          ref="field"
          v-model="entry"
          class="mono"
          autocomplete="off"
          autocapitalize="off"
          placeholder="what lights"
          :aria-invalid="entryWrong !== ''"
          aria-describedby="entry-help"
          @keydown.down.prevent="go(at + 1)"
          @keydown.up.prevent="go(at - 1)"
          @input="entryWrong = ''">
        <v-btn type="submit" color="primary">{{ entry.trim() === '' ? 'As expected' : 'Enter' }}</v-btn>
        <v-btn variant="outlined" color="primary" @click="nothing">Nothing</v-btn>
        <v-btn v-if="lights[current.node]" variant="text" @click="next">Next line</v-btn>
        <v-btn
          v-if="channels > 2 && channel.length"
          variant="text"
          color="primary"
          @click="declare">Declare channel {{ current.channel }}</v-btn>
      </div>
      <p
        id="entry-help"
        class="quiet"
        :class="{ bad: entryWrong }">{{ entryWrong
          || 'Enter alone: as expected. 0: nothing lights. Else write or press the contacts that light.' }}</p>
    </form>
    <div class="table">
      <table class="lines">
        <thead><tr><th>Probe</th><th>Should light</th><th>Lights</th><th>{{ read }} of {{ from.length }}</th></tr>
        </thead>
        <tbody>
          <tr
            v-for="(probe, i) in from"
            :id="`line-${i}`"
            :key="probe.node"
            :class="[state(probe), { at: i === at }]"
            @click="go(i)">
            <td class="mono">{{ named(probe, sheet) }}</td><td class="mono">{{ tokens(expected(probe)) }}</td>
            <td class="mono">{{ lights[probe.node] ? tokens(lights[probe.node]!) : '' }}</td>
            <td>{{ { open: '', good: declared.includes(probe.node) ? 'declared' : 'as expected',
                     bad: 'wrong' }[state(probe)] }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.faces {
  display: flex;
  justify-content: space-evenly;
  gap: 20px;
  text-align: center;
  font-size: 13px;
}
.faces p {
  margin: 4px 0;
}
.legs button,
.shell {
  font: 13px var(--mono);
  border: 1px solid var(--quiet);
  border-radius: 4px;
  background: var(--surface);
  padding: 4px 9px;
  margin: 2px;
  cursor: pointer;
  color: var(--ink);
}
.legs button[aria-pressed='true'] {
  background: var(--panel);
  border-color: var(--ink);
}
.shell[aria-pressed='true'] {
  background: var(--copper-fill);
  color: var(--on-action);
  border-color: var(--copper);
}
.entry {
  padding: 8px 0;
  position: sticky;
  top: -12px;
  background: var(--paper);
  z-index: 1;
}
.keys {
  display: flex;
  gap: 8px;
  margin-top: 5px;
  flex-wrap: wrap;
}
input {
  flex: 1;
  min-width: 120px;
  border: 1px solid var(--ink);
  border-radius: 4px;
  padding: 7px 10px;
  background: var(--surface);
  font-size: 16px;
  color: var(--ink);
}
.entry p {
  margin: 4px 0 0;
  font-size: 12.5px;
}
.entry .bad {
  color: var(--flux);
}
.table {
  min-height: 120px;
}
tr {
  cursor: pointer;
}
tr.bad td {
  background: var(--bad);
}
tr.bad td:last-child {
  color: var(--flux);
  font-weight: 600;
}
tr.good td:last-child {
  color: var(--verdigris);
}
tr.at td {
  box-shadow:
    inset 0 2px var(--copper),
    inset 0 -2px var(--copper);
}
@media (max-width: 800px) {
  .entry {
    top: 48px;
  }
  .faces {
    gap: 6px;
  }
  .keys :deep(.v-btn) {
    min-height: 44px;
  }
  input {
    min-height: 44px;
  }
  tr td {
    padding-block: 9px;
  }
}
</style>
