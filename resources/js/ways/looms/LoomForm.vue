<script setup lang="ts">
import { reactive, ref } from 'vue'
import { api } from '../../api/client'
import type { LoomPart } from '../../api/looms'
import { useAttempt } from '../../ui/attempt'
import { slug } from '../../ui/slug'
import LoomMembers from './LoomMembers.vue'

const props = defineProps<{ part: LoomPart | null; version: number; places: { id: string; name: string }[] }>()
const emit = defineEmits<{ saved: [string]; close: [] }>()
const { problem, busy, attempt } = useAttempt()
const draft = reactive({
  name: props.part?.name ?? '',
  covering: props.part?.covering ?? 'ties',
  tieEvery: props.part?.tieEvery ?? '300 mm',
  root: props.part?.root ?? '',
  oneReel: props.part?.oneReel ?? false,
})

/** Runs that go into it as it is made. */
const members = ref<{ id: string; version: number }[]>([])

const save = () =>
  attempt(async () => {
    const part = {
      id: props.part?.id ?? slug(draft.name),
      name: draft.name.trim(),
      covering: draft.covering,
      tieEvery: draft.tieEvery,
      ...(draft.root ? { root: draft.root } : {}),
      ...(draft.oneReel ? { oneReel: true } : {}),
      ...(props.part?.breakouts?.length ? { breakouts: props.part.breakouts } : {}),
    }
    if (props.part) await api.put('shared/loom', { part, version: props.version })
    else await api.post('looms', { part, runs: members.value })
    emit('saved', part.id)
  })
</script>

<template>
  <v-card class="pa-5"><form @submit.prevent="save">
    <h1>{{ part ? 'Edit loom' : 'New loom' }}</h1>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <v-text-field v-model="draft.name" label="Name" :autofocus="!part" />
    <v-select
      v-model="draft.covering"
      label="Held together by"
      :items="[{ value: 'ties', title: 'ties' }, { value: 'sleeve', title: 'braided sleeve' }]" />
    <v-text-field v-model="draft.tieEvery" label="A tie at least every" />
    <v-select
      v-if="places.length"
      v-model="draft.root"
      label="Laid out from"
      :items="[{ value: '', title: 'where most members end' },
               ...places.map(each => ({ value: each.id, title: each.name }))]" />
    <v-checkbox v-model="draft.oneReel" label="Cut like cables off one reel" />
    <LoomMembers v-if="!part" v-model="members" />
    <p class="acts"><v-btn
      type="submit"
      color="primary"
      :loading="busy">Save</v-btn><v-btn variant="text" @click="$emit('close')">Cancel</v-btn></p>
  </form></v-card>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
.acts {
  margin: 0;
}
</style>
