<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, reactive, ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Building, Rerouted, Way, WayPart } from '../../api/building'
import { useAttempt } from '../../ui/attempt'
import { sample, sampleWay } from '../../ui/guide'
import LeftTyped from '../../ui/LeftTyped.vue'
import { slug } from '../../ui/slug'
import { useTyped } from '../../ui/typed'
import ReroutedList from './ReroutedList.vue'
import { useLatest } from '../../ui/latest'

const props = defineProps<{ building: Building; way: Way | null; from: string; to: string }>()
const emit = defineEmits<{ saved: [Rerouted, string]; close: [] }>()
const { problem, busy, attempt } = useAttempt()

const AROUND = [
  { value: 'damp', title: 'damp' },
  { value: 'outdoor', title: 'outdoor' },
  { value: 'air-handling', title: 'air-handling space' },
  { value: 'near-mains', title: 'near mains' },
]
const was = props.way?.part
/** Where there are two places and nothing between them, a way leads from one to the other. */
const [first, second, ...others] = props.building.locations
const only = first && second && !others.length && !props.building.ways.length ? [first.part.id, second.part.id] : []
const draft = reactive({
  name: was?.name ?? '',
  kind: was?.kind ?? 'tray',
  length: was?.length ?? '',
  measured: was?.measured ?? false,
  from: was?.from ?? (props.from || (only[0] ?? '')),
  to: was?.to ?? (props.to || (only[1] ?? '')),
  inner: (was?.inner ?? []).join(' x '),
  bends: String(was?.bends ?? 0),
  bendRadius: was?.bendRadius ?? '',
  environment: [...(was?.environment ?? [])],
  takes: was?.takes ?? 'both',
  fire: was?.fire ?? 'unrated',
  fillLimit: was?.fillLimit === undefined ? '' : String(was.fillLimit),
})
const places = computed(() =>
  [...props.building.locations, ...props.building.junctions]
    .map(each => ({ value: each.part.id, title: each.part.name }))
    .sort((a, b) => a.title.localeCompare(b.title)),
)

const part = computed<WayPart>(() => ({
  id: was?.id ?? slug(draft.name),
  name: draft.name.trim(),
  kind: draft.kind,
  length: draft.length,
  ...(draft.from ? { from: draft.from } : {}),
  ...(draft.to ? { to: draft.to } : {}),
  ...(draft.inner.trim() ? { inner: draft.inner.split(/[x×]/).map(side => side.trim()) } : {}),
  ...(Number(draft.bends) ? { bends: Number(draft.bends) } : {}),
  ...(draft.bendRadius ? { bendRadius: draft.bendRadius } : {}),
  ...(draft.environment.length ? { environment: draft.environment } : {}),
  ...(draft.takes !== 'both' ? { takes: draft.takes } : {}),
  ...(draft.fire !== 'unrated' ? { fire: draft.fire } : {}),
  ...(draft.measured ? { measured: true } : {}),
  ...(draft.fillLimit ? { fillLimit: Number(draft.fillLimit) } : {}),
}))
const ahead = ref<Rerouted | null>(null)
const wrong = ref('')
const { latest } = useLatest()
const look = useDebounceFn(async () => {
  if (!draft.name || !draft.length) return
  try {
    await latest(api.post('building/preview', { part: part.value }), answer => {
      ahead.value = answer
      wrong.value = ''
    })
  } catch (error) {
    ahead.value = null
    const listed =
      error instanceof ApiError ? ((error.body.problems ?? []) as { path: string; value: string; words: string }[]) : []
    wrong.value = listed.map(each => `${each.path} "${each.value}" ${each.words}`).join(' ')
  }
}, 350)
watch(draft, look, { deep: true })
// Another length is another one's word: whoever measured it says so.
watch(
  () => draft.length,
  now => {
    if (was?.measured) draft.measured = now === was.length
  },
)
onMounted(look)

/** Its version as it was read, or as it was when what is left was typed. */
const version = ref(props.way?.version ?? 0)
const { left, begin, take, drop, saved } = useTyped(
  `way.${was?.id ?? ''}`,
  () => draft,
  typed => Object.assign(draft, typed),
  version,
)
begin()

const save = () =>
  attempt(async () => {
    const answer = await api.put('shared/way', {
      part: part.value,
      ...(props.way ? { version: version.value } : {}),
    })
    saved()
    emit('saved', answer.rerouted, part.value.id)
  })
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
  <form class="way-form" @submit.prevent="save" @keydown.esc.stop="$emit('close')">
    <h1>{{ way ? 'Edit way' : 'New way' }}</h1>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <LeftTyped :left="left" :what="left?.typed.name" @take="take" @drop="drop" />
    <v-text-field v-model="draft.name" label="Name" :autofocus="!way" v-bind="sample(sampleWay.name)" />
    <div class="two">
      <v-select
        v-model="draft.kind"
        label="Kind"
        :items="['tray', 'trunking', 'conduit', 'riser', 'void', 'free air']" />
      <v-text-field
        v-model="draft.length"
        label="Length, with its unit"
        v-bind="sample(sampleWay.length, '12.4 m')" />
      <v-autocomplete
        v-model="draft.from"
        label="From"
        :items="places" /><v-autocomplete v-model="draft.to" label="To" :items="places" />
      <v-text-field v-model="draft.inner" label="Inside" placeholder="50 mm or 200 mm x 60 mm" /><v-text-field
        v-model="draft.fillLimit"
        label="Fill limit, % (own)"
        placeholder="by its kind" />
      <v-text-field v-model="draft.bends" label="Bends of 90°" type="number" min="0" /><v-text-field
        v-model="draft.bendRadius"
        label="Radius of its bends"
        placeholder="not stated" />
      <v-select
        v-model="draft.takes"
        label="Takes"
        :items="[{ value: 'both', title: 'signal and mains' }, { value: 'signal', title: 'signal only' },
                 { value: 'mains', title: 'mains only' }]" />
      <v-select
        v-model="draft.fire"
        label="Fire class asked for"
        :items="[{ value: 'unrated', title: 'none' }, { value: 'general', title: 'general' }, { value: 'riser',
                                                                                                title: 'riser' },
                 { value: 'air-handling', title: 'air-handling' }]" />
    </div>
    <v-select
      v-model="draft.environment"
      label="Around it (dry where nothing is chosen)"
      multiple
      chips
      :items="AROUND" />
    <v-checkbox v-model="draft.measured" label="Its length was measured in the building" />
    <p class="quiet small">Whether mains and signal may share a way, and which fire class a place needs, is for local
      code and licensed people to say.</p>
    <p v-if="wrong" class="note check">{{ wrong }}</p>
    <section v-if="ahead"><h2>What it would do</h2><ReroutedList :changes="ahead" would /></section>
    <p class="acts"><v-btn
      type="submit"
      color="primary"
      :loading="busy">Save</v-btn><v-btn variant="text" @click="$emit('close')">Cancel</v-btn></p>
  </form>
</template>

<style scoped>
.way-form {
  display: grid;
  gap: 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.two > * {
  min-width: 0;
}
.small {
  font-size: 12px;
  margin: 0;
}
.acts {
  position: sticky;
  bottom: 0;
  background: var(--surface);
  padding: 8px 0;
  margin: 0;
  z-index: 1;
}
</style>
