<script setup lang="ts">
import { computed } from 'vue'
import type { Board } from '../../api/crew'
import type { Hours } from '../../api/progress'
import { useSession } from '../../api/session'
import { dated, weekday } from '../../ui/dates'
import FigureSum from '../../ui/FigureSum.vue'
import { late } from '../../ui/late'

const props = defineProps<{ hours: Hours; wanted: string; today: string; board: Board | null }>()
const LeftOverTime = late(() => import('./LeftOverTime.vue'))
const session = useSession()
/** Whether the day that is wanted is kept, if it goes on so. */
const kept = computed(() => {
  const ends = props.hours.outlook
  if (!ends) return ''
  if (ends.late <= props.wanted) return 'and kept, as it goes.'
  return ends.early > props.wanted ? 'and missed, as it goes.' : 'which may be missed.'
})
</script>

<template>
  <section>
    <h2>Hours left at the bench, and when that ends</h2>
    <p class="told"><FigureSum :figure="hours.left" strong /><span>of planned work left.</span>
      <template v-if="hours.outlook"><span>At</span><FigureSum :figure="hours.outlook.pace" />
        <span>on a working day it ends</span><b>{{ weekday(hours.outlook.likely) }},</b>
        <span>four times of five between {{ weekday(hours.outlook.early) }} and
          {{ weekday(hours.outlook.late) }}.</span>
      </template></p>
    <LeftOverTime
      v-if="hours.days.length"
      :hours="hours"
      :wanted="wanted"
      :today="today" />
    <p v-if="!hours.outlook && (hours.left.value ?? 0) > 0" class="quiet">Nothing says yet when it ends: that takes five
      working days since the first record, and work on one of the last fifteen.</p>
    <p class="told">
      <template v-if="wanted"><span>Wanted by</span><b>{{ dated(wanted) }}</b><span v-if="kept">{{ kept }}</span>
      </template>
      <span v-else>Nobody said by when.</span>
      <router-link v-if="session.can('lead')" to="/crew/workshop">{{ wanted ? 'Another day' : 'Say by when'
      }}</router-link>
    </p>
    <p v-if="board?.forecast.bottleneck" class="told"><span>What holds it up:</span>
      <b>{{ board.forecast.bottleneck }}</b><router-link to="/crew">Who does what</router-link></p>
    <details v-if="hours.days.length"><summary>As a table</summary>
      <table class="lines"><thead><tr><th>Day</th><th>Done, h</th><th>Left, h</th></tr></thead>
        <tbody><tr v-for="each in hours.days" :key="each.day"><td>{{ dated(each.day) }}</td>
          <td class="mono">{{ each.done }}</td><td class="mono">{{ each.left }}</td></tr></tbody></table>
    </details>
  </section>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--verdigris);
  padding: 4px 0;
}
</style>
