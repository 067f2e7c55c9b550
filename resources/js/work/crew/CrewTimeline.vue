<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Ahead, Board, BoardPerson } from '../../api/crew'
import { clock } from '../../ui/dates'
import { many } from '../../ui/words'
import CrewSlot from './CrewSlot.vue'

/** Who is on what, and what comes next in whose hands, along the hours at work from now on. */
const props = defineProps<{ board: Board; gives: boolean }>()
const emit = defineEmits<{ give: [job: string, code: string, person: BoardPerson] }>()

const ahead = (person: BoardPerson) => props.board.forecast.ahead[person.id] ?? []
const HOUR = 60
const longest = computed(() => {
  const all = Object.values(props.board.forecast.ahead).flat()
  return Math.max(HOUR, ...all.map(each => each.from + each.minutes))
})
const at = (minutes: number) => `${(100 * minutes) / longest.value}%`
/** Marks of the axis: hours at first, then days at work. */
const MOST = 9
const marks = computed(() => {
  const day = props.board.forecast.day * HOUR
  const steps = [HOUR, 2 * HOUR, day, 2 * day, 5 * day, 10 * day, 20 * day, 60 * day]
  const step = steps.find(each => longest.value / each <= MOST) ?? longest.value / MOST
  const count = Math.floor(longest.value / step)
  return Array.from({ length: count }, (_, i) => {
    const minutes = (i + 1) * step
    const words = step < day ? `${minutes / HOUR} h` : many(Math.round(minutes / day), 'day')
    return { minutes, words: `+${words}` }
  })
})
const time = (minutes: number) => (minutes < 90 ? `${Math.round(minutes)} min` : `${(minutes / HOUR).toFixed(1)} h`)
const told = (each: Ahead) =>
  `${each.code}: ${each.words}${each.more ? ` and ${many(each.more, 'more step')}` : ''}, ${time(each.minutes)}` +
  (each.isGiven ? ', given' : '')
const foreseen = (person: BoardPerson) => ahead(person).map(told).join('; ') || 'nothing foreseen'

const until = (slot: Ahead[]) => slot.at(-1)!.from + slot.at(-1)!.minutes
/** Shares of the axis: what is shorter than the one is told with what is short beside it, than the other with any. */
const [NARROW, TINY] = [0.045, 0.025]
/** Bookings as they can be pressed. */
function slots(person: BoardPerson): Ahead[][] {
  const slots: Ahead[][] = []
  const wide = (slot: Ahead[]) => (until(slot) - slot[0]!.from) / longest.value
  for (const each of ahead(person)) {
    const last = slots.at(-1)
    const [one, other] = last ? [wide(last), wide([each])] : [1, 1]
    const isNear = last !== undefined && (each.from - until(last)) / longest.value < TINY
    if (isNear && (Math.min(one, other) < TINY || Math.max(one, other) < NARROW)) last.push(each)
    else slots.push([each])
  }
  return slots
}

const dragged = ref<Ahead | null>(null)
const over = ref('')
const lanes = ref<HTMLElement | null>(null)
const under = (event: Event) => {
  const lane = (event.target as HTMLElement).closest<HTMLElement>('[data-person]')
  return props.board.people.find(person => person.id === lane?.dataset.person)
}
useEventListener(lanes, 'dragover', event => {
  const person = dragged.value && under(event)
  over.value = person ? person.id : ''
  if (person) event.preventDefault()
})
useEventListener(lanes, 'drop', event => {
  const person = under(event)
  event.preventDefault()
  over.value = ''
  if (person && dragged.value && !ahead(person).includes(dragged.value))
    emit('give', dragged.value.job, dragged.value.code, person)
  dragged.value = null
})
const others = (person: BoardPerson) => props.board.people.filter(each => each.id !== person.id)
</script>

<template>
  <div ref="lanes" class="lanes">
    <div class="person axis" aria-hidden="true">
      <span /><span />
      <span class="line"><span class="now">now {{ clock(board.at) }}</span><span
        v-for="mark in marks"
        :key="mark.minutes"
        class="mark"
        :style="{ left: at(mark.minutes) }">{{ mark.words }}</span></span>
    </div>
    <div v-for="person in board.people" :key="person.id" class="person">
      <span><b>{{ person.name }}</b>
        <small>{{ person.skills.join(', ') || 'no skill named' }} · {{ person.today }} today</small></span>
      <span><router-link
        v-if="person.at"
        :to="`/bench/${person.at.job}`">at {{ person.at.code }}</router-link><span
          v-else
          class="quiet">not at a bench</span></span>
      <span
        class="ahead"
        :class="{ over: over === person.id }"
        :role="gives ? 'group' : 'img'"
        :aria-label="gives ? `Ahead of ${person.name}` : foreseen(person)"
        :data-person="person.id">
        <span v-for="mark in marks" :key="mark.minutes" class="grid" :style="{ left: at(mark.minutes) }" />
        <CrewSlot
          v-for="slot in slots(person)"
          :key="slot[0]!.from"
          :bookings="slot"
          :person="person"
          :others="others(person)"
          :told="told"
          :gives="gives"
          :style="{ left: at(slot[0]!.from), width: at(until(slot) - slot[0]!.from) }"
          @lift="dragged = $event"
          @give="(each, to) => emit('give', each.job, each.code, to)" />
      </span>
    </div>
  </div>
</template>

<style scoped>
.person {
  display: grid;
  grid-template-columns: 240px 140px minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}
.axis {
  padding: 0;
  font-size: 12px;
  color: var(--slate);
}
.line {
  position: relative;
  height: 20px;
}
.mark {
  position: absolute;
  transform: translateX(-100%);
  padding-right: 3px;
  white-space: nowrap;
}
.now {
  position: absolute;
  left: 0;
  color: var(--ink);
  font-weight: 650;
  white-space: nowrap;
}
small {
  display: block;
  color: var(--slate);
}
.ahead {
  position: relative;
  height: 28px;
  background: var(--panel);
  border-radius: 3px;
  border-left: 2px solid var(--copper);
  overflow: hidden;
}
.ahead.over {
  outline: 2px dashed var(--copper);
}
.grid {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--line);
}
@media (max-width: 760px) {
  .person {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }
}
</style>
