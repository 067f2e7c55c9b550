<script setup lang="ts">
import { onMounted, reactive, ref } from 'vue'
import { api } from '../../api/client'
import type { ReelPart } from '../../api/cutting'
import type { Replanned } from '../../api/looms'
import type { Catalogue } from '../../api/types'
import { useAttempt } from '../../ui/attempt'

const props = defineProps<{ reel: ReelPart | null; version: number; cable: string }>()
const emit = defineEmits<{ saved: [Replanned | undefined, string]; close: [] }>()
const { problem, busy, attempt } = useAttempt()
const cables = ref<Catalogue['cables']>([])
onMounted(() =>
  attempt(async () => {
    cables.value = (await api.get('catalogue')).cables
  }),
)
const draft = reactive({
  id: props.reel?.id ?? '',
  cable: props.reel?.cable ?? props.cable,
  length: props.reel?.length ?? '',
  offcut: props.reel?.offcut ?? false,
  marked: props.reel?.marks !== undefined,
  unit: props.reel?.marks?.unit ?? 'm',
  rising: props.reel?.marks?.rising ?? true,
  start: String(props.reel?.marks?.start ?? 0),
  note: props.reel?.note ?? '',
})

const save = () =>
  attempt(async () => {
    const part = {
      id: draft.id.trim(),
      cable: draft.cable,
      length: draft.length,
      ...(draft.offcut ? { offcut: true } : {}),
      ...(draft.marked ? { marks: { unit: draft.unit, rising: draft.rising, start: Number(draft.start) } } : {}),
      ...(draft.note ? { note: draft.note } : {}),
    }
    const answer = await api.put('reels', {
      part,
      ...(props.reel ? { version: props.version } : {}),
    })
    emit('saved', answer.replanned, draft.id)
  })
const remove = () =>
  attempt(async () => {
    const answer = await api.delete(`reels/${props.reel!.id}`, { version: props.version })
    emit('saved', answer.replanned, props.reel!.id)
  })
</script>

<template>
  <v-card class="pa-5"><form @submit.prevent="save">
    <h1>{{ reel ? 'Reel' : 'New reel or offcut' }}</h1>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <v-text-field
      v-model="draft.id"
      label="What stands on it"
      placeholder="R-07"
      :readonly="reel !== null"
      :autofocus="!reel" />
    <v-autocomplete v-model="draft.cable" label="Cable" :items="cables" item-title="name" item-value="id" />
    <v-text-field v-model="draft.length" label="Length when it came, with its unit" placeholder="305 m" />
    <v-checkbox v-model="draft.offcut" label="An offcut: used before reels are" />
    <v-checkbox v-model="draft.marked" label="Marks are printed along its jacket" />
    <div v-if="draft.marked" class="three">
      <v-text-field v-model="draft.start" label="At the free end" inputmode="decimal" />
      <v-select
        v-model="draft.unit"
        label="In"
        :items="[{ value: 'm', title: 'metres' }, { value: 'ft', title: 'feet' }]" />
      <v-select
        v-model="draft.rising"
        label="They"
        :items="[{ value: true, title: 'rise' }, { value: false, title: 'fall' }]" />
    </div>
    <v-text-field v-model="draft.note" label="Note" />
    <p class="acts"><v-btn
      type="submit"
      color="primary"
      :loading="busy">Save</v-btn><v-btn
        variant="text"
        @click="$emit('close')">Cancel</v-btn><span class="space" /><v-btn
          v-if="reel"
          variant="text"
          color="error"
          @click="remove">Remove</v-btn></p>
  </form></v-card>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
}
.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 10px;
}
.acts {
  margin: 0;
}
.space {
  flex: 1;
}
</style>
