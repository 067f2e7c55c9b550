<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../../api/client'
import type { RollState } from '../../api/labels'
import { useAttempt } from '../../ui/attempt'

/** The printer that ships with Sartal: it behaves as one with a single roll does. */
const props = defineProps<{
  state: RollState
  ids: string[]
  /** What they are printed on. */
  part: string
  kinds: [string, string][]
  may: boolean
}>()
const emit = defineEmits<{ changed: [] }>()
const { problem, said, busy, attempt } = useAttempt()
const roll = ref('')
const name = (id: string) => props.kinds.find(([part]) => part === id)?.[1] ?? id
const needed = computed(() => props.state.next)
const stopped = computed(() => props.state.waiting.length > 0)
const load = () =>
  attempt(async () => {
    await api.put('roll-printer/roll', { part: roll.value || needed.value || props.part })
    emit('changed')
  }, 'The roll is in.')
const print = () =>
  attempt(async () => {
    await api.post('roll-printer/labels', { ids: props.ids })
    emit('changed')
  }, 'Sent to the printer.')
const cancel = () =>
  attempt(async () => {
    await api.delete('roll-printer/labels')
    emit('changed')
  }, 'What waited is thrown away.')
</script>

<template>
  <div class="roll">
    <p class="quiet">A stand-in for a label printer, so that work can be tried without one.</p>
    <p><b>{{ state.form ? name(state.form) : 'No roll in it' }}</b>
      <template v-if="state.form"> · {{ state.left }} left on the roll</template></p>
    <p
      v-if="stopped"
      class="note check"
      role="status">
      <strong>It stands still: {{ state.waiting.length }} wait.</strong>{{ state.left === 0 ? 'The roll is empty.'
        : 'Another label is on the roll.' }} Put in {{ name(needed) }}.</p>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <p v-if="may" class="acts">
      <select
        v-model="roll"
        aria-label="Roll">
        <option value="">{{ needed ? `a roll of ${name(needed)}` : 'a roll of what is shown' }}</option><option
          v-for="[id, kind] in kinds"
          :key="id"
          :value="id">{{ kind }}</option></select>
      <v-btn variant="outlined" :loading="busy" @click="load">Put it in</v-btn>
    </p>
    <p v-if="may" class="acts"><v-btn
      color="primary"
      :disabled="ids.length === 0"
      :loading="busy"
      @click="print">Print {{ ids.length }}</v-btn><v-btn
        v-if="stopped"
        variant="text"
        @click="cancel">Throw away what waits</v-btn></p>
    <p v-if="said" class="quiet" role="status">{{ said }}</p>
    <h2 v-if="state.printed.length">Hanging from it</h2>
    <div class="hanging"><img
      v-for="(each, i) in state.printed"
      :key="each + i"
      class="label"
      :style="{ order: -i }"
      :src="$file(`roll-printer/printed/${i}.svg?${each}`)"
      :alt="each"></div>
  </div>
</template>

<style scoped>
.roll {
  margin-top: 10px;
}
.hanging {
  display: flex;
  flex-direction: column;
}
.acts {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  max-width: 100%;
}
.label {
  display: block;
  background: #fff;
  border: 1px solid var(--line);
  border-top-style: dashed;
  width: 220px;
}
</style>
