<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Ahead, BoardPerson } from '../../api/crew'
import { called, jobsOf } from './slot'

/** What is ahead of somebody, pressed or dragged to give it to somebody else. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  bookings: Ahead[]
  person: BoardPerson
  others: BoardPerson[]
  told: (each: Ahead) => string
  gives: boolean
}>()
const emit = defineEmits<{ lift: [each: Ahead | null]; give: [each: Ahead, to: BoardPerson] }>()
const open = ref(false)
const jobs = computed(() => jobsOf(props.bookings))
const all = computed(() => props.bookings.map(props.told).join('; '))
const given = computed(() => props.bookings.every(each => each.isGiven))
const picked = ref<Ahead | null>(null)
const job = computed(() => (jobs.value.length === 1 ? jobs.value[0]! : picked.value))
function give(to: BoardPerson) {
  emit('give', job.value!, to)
  open.value = false
}
</script>

<template>
  <v-menu
    v-if="gives"
    v-model="open"
    :close-on-content-click="false"
    @update:model-value="picked = null">
    <template #activator="{ props: menu }"><button
      v-bind="{ ...$attrs, ...menu }"
      type="button"
      class="slot"
      :class="{ given }"
      :title="all"
      :draggable="jobs.length === 1"
      :aria-label="`${jobs.length > 1 ? `${called(bookings)}: ` : ''}${all}. Give it to somebody`"
      @dragstart="emit('lift', bookings[0]!)"
      @dragend="emit('lift', null)"><span class="code">{{ called(bookings) }}</span></button></template>
    <v-list density="compact">
      <template v-if="job">
        <v-list-item :title="`Open ${job.code}`" :to="`/bench/${job.job}`" />
        <v-list-item
          v-for="other in others"
          :key="other.id"
          :title="`Give ${job.code} to ${other.name}`"
          @click="give(other)" />
        <v-list-item v-if="!job.isGiven" :title="`Leave ${job.code} to ${person.name}`" @click="give(person)" />
      </template>
      <template v-else>
        <v-list-item v-for="each in jobs" :key="each.job" :title="told(each)" @click="picked = each" />
      </template>
    </v-list>
  </v-menu>
  <span
    v-else
    v-bind="$attrs"
    class="slot"
    :class="{ given }"
    :title="all"><span class="code">{{ called(bookings) }}</span></span>
</template>

<style scoped>
.slot {
  position: absolute;
  top: 2px;
  bottom: 2px;
  box-sizing: border-box;
  background: var(--surface);
  border: 1px solid var(--verdigris);
  border-radius: 3px;
  color: var(--ink);
  font-family: var(--mono);
  font-size: 11.5px;
  line-height: 22px;
  padding: 0 2px;
  overflow: hidden;
  text-align: left;
}
button {
  cursor: grab;
}
.given {
  border-left-width: 4px;
}
/* A code that would be cut off goes to a line of its own, which is not seen: half a code is another job's. */
.code {
  display: flex;
  flex-wrap: wrap;
  height: 22px;
  overflow: hidden;
}
.code::before {
  content: '';
  height: 100%;
}
</style>
