<script setup lang="ts">
import { ref } from 'vue'
import { api, saying } from '../../api/client'
import type { Sheet } from '../../api/types'

/** The house's answers as they hold for this end, for what they hold, and what this end may answer by itself. */
const props = defineProps<{ sheet: Sheet; may: boolean }>()
const emit = defineEmits<{ changed: [] }>()
type Rule = Sheet['rules'][number]
const open = ref('')
const problem = ref('')
async function answer(rule: Rule, answer: string) {
  problem.value = ''
  try {
    await api.put(`runs/${props.sheet.run}/ends/${props.sheet.side}/rule`, {
      question: rule.key,
      answer,
      version: props.sheet.version,
    })
    open.value = ''
    emit('changed')
  } catch (error) {
    problem.value = saying(error)
  }
}
const stands = (rule: Rule) => (rule.own ? (rule.answers.find(each => each.words === rule.answer)?.value ?? '') : '')
</script>

<template>
  <ul class="rules">
    <li v-for="rule in sheet.rules" :key="rule.key">
      <span class="quiet">{{ rule.question }}</span> {{ rule.answer }} <span
        v-if="rule.for"
        class="for">{{ rule.for }}</span>
      <template v-if="may && rule.answers.length">
        <button
          v-if="open !== rule.key"
          type="button"
          :aria-label="`${rule.question} Otherwise for this end…`"
          @click="open = rule.key">for this end…</button>
        <select
          v-else
          :aria-label="rule.question"
          :value="stands(rule)"
          @change="answer(rule, ($event.target as HTMLSelectElement).value)">
          <option value="">as elsewhere</option>
          <option v-for="each in rule.answers" :key="each.value" :value="each.value">{{ each.words }}</option>
        </select>
      </template>
    </li>
  </ul>
  <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
</template>

<style scoped src="../../ui/inline.css" />
<style scoped>
.rules {
  list-style: none;
  padding: 0;
  margin: 0;
  font-size: 13px;
}
.rules li {
  padding: 2px 0;
}
.for {
  padding: 0 6px;
  border: 1px solid var(--copper);
  border-radius: 3px;
  font-size: 12px;
}
button,
select {
  margin-left: 0.3em;
}
@media (max-width: 700px) {
  /* On a line of its own there. */
  button,
  select {
    display: block;
    margin: 0;
  }
}
</style>
