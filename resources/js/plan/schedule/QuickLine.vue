<script setup lang="ts">
import type { Answer } from '../../api/answers'
import { useDebounceFn } from '@vueuse/core'
import { onMounted, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { Line, RunPage } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { length } from '../../ui/units'
import { useLatest } from '../../ui/latest'

/** A run from one line of words, shown whole before it is saved. */
const emit = defineEmits<{ saved: [RunPage]; open: [Line]; close: [] }>()
type Guess = Answer<'runs/quick', 'post'>
const text = ref('')
const guess = ref<Guess | null>(null)
const { problem, busy, attempt } = useAttempt()
const field = ref<{ focus: () => void } | null>(null)
onMounted(() => field.value?.focus())

watch(problem, refused => {
  if (refused) guess.value = null
})
const { latest, forget } = useLatest()
const read = () =>
  attempt(async () => {
    forget()
    if (text.value.trim() === '') guess.value = null
    else
      await latest(api.post('runs/quick', { text: text.value }), answer => {
        guess.value = answer
      })
  })
watch(text, useDebounceFn(read, 400))
const save = () =>
  attempt(async () => {
    if (!guess.value) {
      guess.value = await api.post('runs/quick', { text: text.value })
      return
    }
    emit('saved', await api.post('runs', { line: guess.value.line }))
  })
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
  <form class="quick" aria-label="Quick line" @submit.prevent="save" @keydown.esc.stop="emit('close')">
    <div class="say">
      <v-text-field
        ref="field"
        v-model="text"
        aria-label="How many, which signal, from > to, via"
        placeholder="24 mic stage box 1 > amp rack via under-stage tray"
        class="mono"
        hide-details />
      <v-btn
        type="submit"
        color="primary"
        :loading="busy"
        :disabled="!text.trim()">{{ guess ? `Add ${guess.line.code}` : 'Read' }}</v-btn>
      <v-btn v-if="guess" variant="outlined" color="primary" @click="emit('open', guess.line)">Open in the form</v-btn>
      <v-btn variant="text" @click="emit('close')">Close</v-btn>
    </div>
    <p v-if="problem" class="note check" role="status">{{ problem }}</p>
    <div v-if="guess" class="guess" aria-live="polite">
      <dl><template
            v-for="each in guess.understood"
            :key="each.what"><div><dt>{{ each.what }}</dt><dd :class="{ filled: !each.said }">{{ each.took }}<small
              v-if="each.because"
              class="quiet">{{ each.because }}<template v-if="each.instead">; else {{ each.instead
              }}</template></small></dd></div>
          </template>
        <div><dt>becomes</dt><dd>
          <b class="mono">{{ length(guess.cut.result) }}</b>, {{ guess.circuits }} {{ guess.circuits === 1 ? 'circuit'
            : 'circuits' }}, {{ guess.fittings }} {{ guess.fittings === 1 ? 'fitting' : 'fittings' }}</dd>
        </div></dl>
      <p class="quiet">What is in italics was filled in; below it stands from what. Nothing is saved yet.</p>
      <p
        v-for="finding in guess.findings"
        :key="finding.words"
        class="note"
        :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
    </div>
  </form>
</template>

<style scoped>
.quick {
  grid-column: 1 / -1;
  padding: 10px 16px;
  border-bottom: 1px solid var(--ink);
  background: var(--surface);
}
.say {
  display: flex;
  gap: 8px;
  align-items: center;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 26px;
  margin: 10px 0 4px;
}
dt {
  font-size: 12px;
  color: var(--slate);
}
dd {
  margin: 0;
  font-size: 14px;
}
dd.filled {
  font-style: italic;
}
dd small {
  display: block;
  max-width: 260px;
  font-size: 12px;
  font-style: normal;
}
p {
  margin: 6px 0 0;
  font-size: 13px;
}
</style>
