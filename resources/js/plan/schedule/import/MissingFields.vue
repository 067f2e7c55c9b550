<script setup lang="ts">
import { computed } from 'vue'
import { fieldName } from './names'
import type { Importing } from './useImport'

/** What every run needs and no column says: one answer for all rows, and for cells that are empty. */
const { of } = defineProps<{ of: Importing }>()
const KINDS: Record<string, string> = { cable: 'cable', signals: 'signal', from: 'place', to: 'place' }
const fields = computed(() => {
  const told = of.answer.value
  if (!told) return []
  return [...new Set([...told.missing, ...told.defaults.map(each => each.field)])].map(field => ({
    field,
    text: told.defaults.find(each => each.field === field)?.text ?? '',
    choices: told.choices.find(each => each.kind === KINDS[field])?.of ?? [],
  }))
})
</script>

<template>
  <fieldset v-if="fields.length" class="ask"><legend>For every row that does not say it</legend>
    <label v-for="each in fields" :key="each.field"><span>{{ fieldName(each.field) }}</span> <input
      v-if="each.field === 'code'"
      class="typed"
      :value="each.text"
      placeholder="first, such as A-101"
      aria-label="Code of the first row without one"
      @change="of.fallback(each.field, ($event.target as HTMLInputElement).value)"> <select
        v-else
        :aria-label="`${fieldName(each.field)} of every row`"
        :value="each.text"
        @change="of.fallback(each.field, ($event.target as HTMLSelectElement).value)"><option
          value="">choose</option><option
          v-for="one in each.choices"
          :key="one.id"
          :value="one.id">{{ one.name }}</option></select></label>
  </fieldset>
</template>
