<script setup lang="ts">
import { reactive, ref } from 'vue'
import { api } from '../../api/client'
import type { PlacePart, Point, Rerouted } from '../../api/building'
import { useAttempt } from '../../ui/attempt'
import { sample, samplePlace } from '../../ui/guide'
import LeftTyped from '../../ui/LeftTyped.vue'
import { slug } from '../../ui/slug'
import { useTyped } from '../../ui/typed'

const props = defineProps<{
  kind: 'location' | 'junction'
  place: PlacePart | null
  version: number
  at: Point | null
  levels: string[]
}>()
const emit = defineEmits<{ saved: [Rerouted, string]; close: [] }>()
const { problem, busy, attempt } = useAttempt()
const draft = reactive({
  name: props.place?.name ?? '',
  level: props.place?.level ?? '',
  fire: props.place?.fire ?? 'unrated',
  rack: props.place?.rack !== undefined,
  units: String(props.place?.rack?.units ?? 42),
  entry: props.place?.rack?.entry ?? 'bottom',
  across: props.place?.rack?.across ?? '400 mm',
})

/** Its version as it was read, or as it was when what is left was typed. */
const version = ref(props.version)
const { left, begin, take, drop, saved } = useTyped(
  `${props.kind}.${props.place?.id ?? ''}`,
  () => draft,
  typed => Object.assign(draft, typed),
  version,
)
begin()

const save = () =>
  attempt(async () => {
    const at = props.place?.at ?? props.at
    const part = {
      id: props.place?.id ?? slug(draft.name),
      name: draft.name.trim(),
      ...(at ? { at } : {}),
      ...(draft.level.trim() ? { level: draft.level.trim() } : {}),
      ...(props.kind === 'location' && draft.fire !== 'unrated' ? { fire: draft.fire } : {}),
      ...(props.kind === 'location' && draft.rack
        ? { rack: { units: Number(draft.units), entry: draft.entry, across: draft.across } }
        : {}),
    }
    const answer = await api.put(`shared/${props.kind}`, {
      part,
      ...(props.place ? { version: version.value } : {}),
    })
    saved()
    emit('saved', answer.rerouted, part.id)
  })
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
  <form class="place-form" @submit.prevent="save" @keydown.esc.stop="$emit('close')">
    <h1>{{ place ? 'Edit' : 'New' }} {{ kind }}</h1>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <LeftTyped :left="left" :what="left?.typed.name" @take="take" @drop="drop" />
    <v-text-field
      v-model="draft.name"
      label="Name"
      :autofocus="!place"
      v-bind="kind === 'location' ? sample(samplePlace) : {}" />
    <v-combobox v-model="draft.level" label="Level" placeholder="ground floor, gallery, roof" :items="levels" />
    <template v-if="kind === 'location'">
      <v-select
        v-model="draft.fire"
        label="Fire class that local code asks for"
        :items="[{ value: 'unrated', title: 'none' }, { value: 'general', title: 'general' }, { value: 'riser',
                                                                                                title: 'riser' },
                 { value: 'air-handling', title: 'air-handling space' }]" />
      <v-checkbox v-model="draft.rack" label="A rack stands here" />
      <template v-if="draft.rack">
        <v-text-field v-model="draft.units" label="Units high" type="number" min="1" />
        <v-select v-model="draft.entry" label="Cables come in at the" :items="['top', 'bottom']" />
        <v-text-field v-model="draft.across" label="From there across to the lacing side" />
      </template>
    </template>
    <p class="acts"><v-btn
      type="submit"
      color="primary"
      :loading="busy">Save</v-btn><v-btn variant="text" @click="$emit('close')">Cancel</v-btn></p>
  </form>
</template>

<style scoped>
.place-form {
  display: grid;
  gap: 10px;
}
.acts {
  margin: 0;
}
</style>
