<script setup lang="ts">
import { computed } from 'vue'
import { many } from '../../../ui/words'
import ColumnChoice from './ColumnChoice.vue'
import type { Importing } from './useImport'

/** What each column of the file holds; those that nobody knows stand first, and are left out. */
const { of } = defineProps<{ of: Importing }>()
const columns = computed(() => of.answer.value?.columns ?? [])
const unknown = computed(() => columns.value.filter(each => each.takenAs === null))
const known = computed(() => columns.value.filter(each => each.takenAs !== null))
const taken = computed(() => known.value.filter(each => each.takenAs !== '').length)
const understood = computed(() => {
  const left = known.value.length - taken.value
  return `${many(taken.value, 'column')} understood${left ? `, ${left} left out` : ''}`
})
const fields = computed(() => of.answer.value?.fields ?? [])
</script>

<template>
  <fieldset v-if="unknown.length" class="ask"><legend>Left out, since nobody knows what they hold</legend>
    <ColumnChoice
      v-for="each in unknown"
      :key="each.name"
      :name="each.name"
      field="-"
      :fields="fields"
      @choose="of.column(each.name, $event)" />
  </fieldset>
  <details v-if="known.length" class="known"><summary>{{ understood }}</summary>
    <div class="ask"><ColumnChoice
      v-for="each in known"
      :key="each.name"
      :name="each.name"
      :field="each.takenAs || '-'"
      :fields="fields"
      @choose="of.column(each.name, $event)" /></div>
  </details>
</template>
