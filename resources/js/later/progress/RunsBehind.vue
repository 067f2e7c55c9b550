<script setup lang="ts">
import { ref, watch } from 'vue'
import { api } from '../../api/client'
import { useAttempt } from '../../ui/attempt'
import { many } from '../../ui/words'

/** The runs behind a figure that the schedule cannot be asked for. */
const props = defineProps<{ of: 'hands' | 'first-tests'; stage: string; person?: string; words: string }>()
const emit = defineEmits<{ close: [] }>()
const { problem, busy, attempt } = useAttempt()
const runs = ref<{ id: string; code: string }[]>([])
watch(
  () => [props.of, props.stage, props.person],
  () =>
    attempt(async () => {
      const asked = new URLSearchParams({ of: props.of, stage: props.stage, person: props.person ?? '' })
      runs.value = (await api.get(`progress/runs?${asked.toString()}`)).runs
    }),
  { immediate: true },
)
</script>

<template>
  <div class="behind" role="region" :aria-label="words">
    <p class="told"><b>{{ words }}</b>
      <span v-if="!busy && !problem" class="quiet" role="status">{{ many(runs.length, 'run') }}</span>
      <v-btn size="small" variant="text" @click="emit('close')">Close</v-btn></p>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <ul><li v-for="run in runs" :key="run.id"><router-link
      :to="`/runs/${encodeURIComponent(run.id)}`"
      class="mono">{{ run.code }}</router-link></li></ul>
  </div>
</template>

<style scoped>
.behind {
  border-left: 3px solid var(--copper);
  padding: 2px 12px 8px;
  margin: 8px 0;
}
p {
  margin: 4px 0;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 220px;
  overflow: auto;
}
</style>
