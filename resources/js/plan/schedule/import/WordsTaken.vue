<script setup lang="ts">
import { computed } from 'vue'
import { many } from '../../../ui/words'
import { kindName } from './names'
import type { Importing, ReadWord } from './useImport'

/** Words of the file that nothing here is called by, and what each is taken for. */
const { of } = defineProps<{ of: Importing }>()
const kinds = computed(() => {
  const told = of.answer.value
  return (told?.choices ?? [])
    .map(({ kind, of: choices }) => ({
      kind,
      choices,
      words: [...(told?.words ?? [])]
        .filter(word => word.kind === kind)
        // What waits for an answer stands first.
        .sort((a, b) => Number(a.taken !== '') - Number(b.taken !== '')),
    }))
    .filter(({ words }) => words.length)
})
const canBeLeft = (kind: string) => ['plan', 'way', 'loom', 'device', 'build'].includes(kind)
function sorted(choices: { id: string; name: string }[], word: ReadWord) {
  const place = (id: string) => {
    const at = word.instead.indexOf(id)
    return at === -1 ? word.instead.length : at
  }
  return [...choices].sort((a, b) => place(a.id) - place(b.id))
}
const because = (word: ReadWord) => {
  if (word.taken === '') return 'nobody knows: choose'
  return word.said ? 'as you said' : word.because
}
</script>

<template>
  <section v-if="kinds.length" aria-label="What words stand for">
    <h2>What these words stand for</h2>
    <table class="lines words"><thead><tr><th>Written</th><th>Taken for</th><th>Why</th></tr></thead>
      <tbody v-for="{ kind, words, choices } in kinds" :key="kind">
        <tr><th colspan="3" scope="rowgroup">{{ kindName(kind) }}</th></tr>
        <tr v-for="word in words" :key="word.words" :class="{ open: word.taken === '' }">
          <td><strong>{{ word.words }}</strong> <span class="quiet">{{ many(word.rows, 'time') }}</span></td>
          <td><select
            :aria-label="`${word.words} stands for`"
            :value="word.taken"
            @change="of.value(word, ($event.target as HTMLSelectElement).value)"><option
              v-if="word.taken === ''"
              value=""
              disabled>choose</option><option
                v-if="word.canBeMade"
                value="+">make “{{ word.words }}”</option><option
                  v-if="canBeLeft(kind)"
                  value="-">leave it out</option><option
                    v-for="each in sorted(choices, word)"
                    :key="each.id"
                    :value="each.id">{{ each.name }}</option></select></td>
          <td class="quiet">{{ because(word) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.words tbody th {
  border-bottom: 0;
  padding-top: 10px;
}
.words select {
  max-width: min(340px, 100%);
}
/* On a phone what it is taken for stands below what is written. */
@media (max-width: 640px) {
  .words thead {
    display: none;
  }
  .words td {
    display: block;
    border-bottom: 0;
    padding-bottom: 0;
  }
  .words select {
    min-height: 40px;
    width: 100%;
  }
}
tr.open {
  background: var(--warn);
}
</style>
