<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Rules, School } from '../../api/types'
import { answered, departing, type Group } from './departures'

/** Where a question is answered otherwise than by the house: for a loom, or for a family of cables. */
const props = defineProps<{ rules: Rules; school: School; groups: Group[]; may: boolean }>()
const emit = defineEmits<{ changed: [Rules] }>()
const adding = ref(false)
const shown = computed(() => departing(props.rules, props.school.key, props.groups))
const free = computed(() =>
  props.groups.filter(each => !shown.value.some(one => one.of === each.of && one.id === each.id)),
)
const words = (answer: string) => props.school.answers.find(each => each.value === answer)?.words ?? answer
const answer = (group: Pick<Group, 'of' | 'id'>, value: string | null) =>
  emit('changed', answered(props.rules, props.school.key, group, value))
function add(place: string) {
  const group = free.value[Number(place)]
  // It begins with an answer that is not the house's: that is why it is asked.
  const other = props.school.answers.find(each => each.value !== props.rules[props.school.key])
  if (group && other) answer(group, String(other.value))
  adding.value = false
}
</script>

<template>
  <ul v-if="shown.length" class="departures">
    <li v-for="each in shown" :key="`${each.of} ${each.id}`"><b>{{ each.name }}</b>
      <select
        v-if="may"
        :aria-label="`${school.question} For ${each.name}`"
        :value="each.answer"
        @change="answer(each, ($event.target as HTMLSelectElement).value)"><option
          v-for="one in school.answers"
          :key="one.value"
          :value="one.value">{{ one.words }}</option></select>
      <span v-else>{{ words(each.answer) }}</span>
      <button
        v-if="may"
        type="button"
        :aria-label="`${school.question} For ${each.name} as the house has it`"
        @click="answer(each, null)">as the house</button></li>
  </ul>
  <p v-if="may && free.length" class="more">
    <button v-if="!adding" type="button" @click="adding = true">Otherwise for…</button>
    <select
      v-else
      :aria-label="`${school.question} Otherwise for`"
      @change="add(($event.target as HTMLSelectElement).value)"><option value="">a loom or a family</option><option
        v-for="(each, i) in free"
        :key="`${each.of} ${each.id}`"
        :value="i">{{ each.name }}</option></select>
  </p>
</template>

<style scoped src="../../ui/inline.css" />
<style scoped>
.departures {
  list-style: none;
  margin: 4px 0 0;
  padding: 0 0 0 10px;
  border-left: 2px solid var(--copper);
  font-size: 13px;
}
.departures li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  padding: 2px 0;
}
.more {
  margin: 2px 0 0;
  font-size: 13px;
}
</style>
