<script setup lang="ts">
import { ref } from 'vue'
import type { StepRecords, Trial } from '../../api/types'
import { spoken, type Procedure } from './procedure'

/** The steps of a procedure in order: what each does on the end that it is tried on, and what it lacks there. */
const props = defineProps<{
  procedure: Procedure
  trial: Trial | null
  record: StepRecords
  editing: boolean
}>()
const at = defineModel<number>('at', { required: true })
const emit = defineEmits<{ move: [by: number]; add: []; remove: [] }>()
const list = ref<HTMLElement | null>(null)
const tried = (id: string) => props.trial?.steps.find(each => each.id === id)

function key(event: KeyboardEvent) {
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (by !== undefined) {
    event.preventDefault()
    if (event.altKey) {
      if (props.editing && !props.procedure.steps[at.value]?.locked) emit('move', by)
    } else at.value = Math.max(0, Math.min(props.procedure.steps.length - 1, at.value + by))
    requestAnimationFrame(() => list.value?.querySelector<HTMLElement>('[aria-current="step"]')?.focus())
  } else if (props.editing && event.key === 'Delete' && !props.procedure.steps[at.value]?.locked) emit('remove')
  else if (props.editing && event.key === '+') emit('add')
}
</script>

<template>
  <ol ref="list" aria-label="Steps">
    <li v-for="(step, i) in procedure.steps" :key="step.id">
      <button
        type="button"
        :aria-current="i === at ? 'step' : undefined"
        :class="{ idle: trial && !tried(step.id)?.called, bad: tried(step.id)?.lacks.length }"
        @keydown="key"
        @click="at = i">
        <b>{{ tried(step.id)?.words || spoken(step) }}</b>
        <span v-if="tried(step.id)?.mark" class="mark">{{ tried(step.id)?.mark }}</span>
        <small v-if="step.locked">locked: it secures somebody’s life</small>
        <small v-if="trial?.ends.length && !tried(step.id)?.called">nothing for it on this end</small>
        <small v-if="record[step.id]?.found">{{ step.catches }} at {{ record[step.id]!.found }} of
          {{ record[step.id]!.of }} ends</small>
        <small v-for="each in tried(step.id)?.lacks ?? []" :key="each" class="lack">{{ each }}</small>
      </button>
    </li>
  </ol>
</template>

<style scoped>
ol {
  margin: 0;
  padding-left: 30px;
}
li {
  padding: 1px 0;
}
button {
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  padding: 3px 6px;
  vertical-align: top;
  width: 100%;
  cursor: pointer;
  border-radius: 4px;
}
button:hover {
  background: var(--surface);
}
button[aria-current='step'] {
  background: var(--chosen);
  box-shadow: inset 3px 0 0 var(--copper);
}
button:focus-visible {
  outline: 2px solid var(--copper);
}
b {
  font-weight: 550;
}
.mark {
  margin-left: 8px;
  color: var(--verdigris);
  font-weight: 600;
}
small {
  display: block;
  font-size: 12.5px;
  color: var(--slate);
}
.idle b {
  font-weight: 400;
  color: var(--slate);
}
.bad b {
  text-decoration: underline wavy var(--flux);
  text-underline-offset: 3px;
}
small.lack {
  color: var(--flux);
}
</style>
