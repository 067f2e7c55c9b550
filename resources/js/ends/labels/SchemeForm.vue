<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { LabelFinding, LabelLine, LabelScheme } from '../../api/labels'
import { useAttempt } from '../../ui/attempt'
import { useLatest } from '../../ui/latest'

const props = defineProps<{ scheme: LabelScheme; tokens: Record<string, string>; version: number; may: boolean }>()
const emit = defineEmits<{ saved: [] }>()
const draft = ref<LabelScheme>({ ...props.scheme })
const preview = ref<{ labels: LabelLine[]; findings: LabelFinding[] } | null>(null)
const { problem, busy, attempt } = useAttempt()
// What is being typed stays, whatever is loaded meanwhile.
watch(
  () => props.scheme,
  (value, old) => {
    if (JSON.stringify(draft.value) === JSON.stringify(old)) draft.value = { ...value }
    preview.value = null
  },
)
const changed = computed(() => JSON.stringify(draft.value) !== JSON.stringify(props.scheme))
const FIELDS: [Exclude<keyof LabelScheme, 'limit'>, string][] = [
  ['end', 'End of a run'],
  ['endLine', 'its second line'],
  ['leg', 'Tail'],
  ['legLine', 'its second line'],
]
const { latest, forget } = useLatest()
const look = useDebounceFn(
  () =>
    attempt(() =>
      latest(api.post('labels/preview', { scheme: draft.value }), answer => {
        preview.value = answer
      }),
    ),
  350,
)
watch(
  draft,
  () => {
    forget()
    preview.value = null
    if (changed.value) void look()
  },
  { deep: true },
)
const save = () =>
  attempt(async () => {
    await api.put('labels/scheme', { scheme: draft.value, version: props.version })
    emit('saved')
  })
/** A few of each: the longest show first where it gets tight. */
const samples = computed(() =>
  [...(preview.value?.labels ?? [])]
    .filter(each => each.run)
    .sort((a, b) => b.code.length - a.code.length)
    .slice(0, 5),
)
const changes = computed(() => (preview.value?.labels ?? []).filter(each => each.state === 'changed').length)
</script>

<template>
  <form class="scheme" @submit.prevent="save">
    <v-text-field
      v-for="[key, name] in FIELDS"
      :key="key"
      v-model="draft[key]"
      :label="name"
      :readonly="!may"
      density="compact"
      class="mono" />
    <v-text-field
      v-model.number="draft.limit"
      type="number"
      min="1"
      max="60"
      label="Most characters in a first line"
      :readonly="!may"
      density="compact" />
    <dl><template
      v-for="(words, token) in tokens"
      :key="token"><dt class="mono">{{ `\{${token}\}` }}</dt><dd>{{ words }}</dd></template></dl>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <template v-if="preview">
      <h2>Then they say</h2>
      <p v-for="each in samples" :key="each.id" class="sample"><b class="mono">{{ each.code }}</b> {{ each.line }}</p>
      <p v-if="changes" class="note check">{{ changes }} that are printed would have to be printed again.</p>
      <p
        v-for="finding in preview.findings.slice(0, 4)"
        :key="finding.words"
        class="note"
        :class="finding.severity"><strong>{{ finding.words }}</strong>{{ finding.remedy }}</p>
    </template>
    <p v-if="may && changed" class="acts"><v-btn
      type="submit"
      color="primary"
      :loading="busy"
      :disabled="!preview">Save</v-btn><v-btn variant="text" @click="draft = { ...scheme }">Leave as it was</v-btn></p>
  </form>
</template>

<style scoped>
.scheme {
  margin-top: 14px;
  display: grid;
  gap: 10px;
}
dl {
  display: grid;
  grid-template-columns: 88px 1fr;
  font-size: 12.5px;
  row-gap: 2px;
  margin: 6px 0;
}
dd {
  margin: 0;
}
.sample {
  margin: 2px 0;
}
</style>
