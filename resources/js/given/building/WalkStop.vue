<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../../api/client'
import type { Schemas } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { length } from '../../ui/units'

/** One way on the walk: what it is taken to be, and what it is. */
const props = defineProps<{ stop: Schemas['WalkStopShown']; number: number; may: boolean }>()
const emit = defineEmits<{ measured: [] }>()
const { problem, busy, attempt } = useAttempt()
const is = ref('')
const more = computed(() => props.stop.runs - props.stop.codes.length)
const save = (as: string) =>
  attempt(async () => {
    await api.put(`ways/${encodeURIComponent(props.stop.id)}/measured`, { length: as, version: props.stop.version })
    emit('measured')
  })
</script>

<template>
  <li>
    <span class="number mono">{{ number }}</span>
    <div class="what">
      <b>{{ stop.name }}</b> <span class="quiet">{{ [stop.kind, stop.level].filter(Boolean).join(', ') }}</span>
      <span class="path">{{ stop.from || 'somewhere' }} → {{ stop.to || 'somewhere' }}<template
        v-if="stop.before && stop.before !== '0 mm'">, after {{ length(stop.before) }}</template></span>
      <span class="quiet runs">{{ stop.codes.join(', ') }}{{ more ? ` and ${more} more` : '' }}</span>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    </div>
    <form v-if="may" @submit.prevent="is.trim() && save(is)">
      <label>Is <input
        v-model="is"
        :aria-label="`${stop.name} is`"
        :placeholder="length(stop.length)"
        inputmode="decimal"
        maxlength="40"></label>
      <v-btn
        v-if="is.trim()"
        type="submit"
        color="primary"
        height="48"
        :loading="busy">Save</v-btn>
      <v-btn
        v-else
        variant="outlined"
        height="48"
        :loading="busy"
        @click="save(stop.length)">As planned</v-btn>
    </form>
    <span v-else class="mono">{{ length(stop.length) }}</span>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto;
  gap: 4px 10px;
  align-items: center;
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
  break-inside: avoid;
}
.number {
  color: var(--slate);
  text-align: right;
}
.what {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 8px;
}
.path,
.runs,
.what p {
  grid-column: 1 / -1;
}
.runs {
  font-size: 13px;
}
form {
  display: flex;
  gap: 8px;
  align-items: center;
}
input {
  width: 110px;
  min-height: 48px;
  box-sizing: border-box;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 10px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  font-family: var(--mono);
}
input::placeholder {
  color: var(--slate);
  opacity: 1;
}
input:focus-visible {
  outline: 2px solid var(--copper);
}
@media (max-width: 600px) {
  li {
    grid-template-columns: 24px minmax(0, 1fr);
  }
  form {
    grid-column: 2;
  }
}
@media print {
  .v-btn {
    display: none;
  }
}
</style>
