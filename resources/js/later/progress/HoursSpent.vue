<script setup lang="ts">
import { computed } from 'vue'
import type { Hours } from '../../api/progress'
import FigureSum from '../../ui/FigureSum.vue'
import { many } from '../../ui/words'

const props = defineProps<{ hours: Hours }>()
const most = computed(() => Math.max(1, ...props.hours.kinds.flatMap(each => [each.planned, each.took])))
const time = (minutes: number) =>
  minutes < 90 ? `${minutes.toFixed(minutes < 10 ? 1 : 0)} min` : `${(minutes / 60).toFixed(1)} h`
</script>

<template>
  <section>
    <h2>Planned against taken</h2>
    <p v-if="hours.kinds.length === 0" class="quiet">Nobody’s time was taken at the bench yet.</p>
    <template v-else>
      <p class="told"><FigureSum :figure="hours.took" strong /><span>taken for what standard times make</span>
        <FigureSum :figure="hours.planned" /></p>
      <table class="lines">
        <thead><tr><th>Work</th><th>Planned</th><th>Taken</th><th /></tr></thead>
        <tbody><tr v-for="each in hours.kinds" :key="each.kind">
          <td>{{ each.kind }} <small class="quiet">{{ many(each.count, 'time') }}</small></td>
          <td class="mono">{{ time(each.planned) }}</td><td class="mono">{{ time(each.took) }}</td>
          <td><span class="pair" aria-hidden="true"><span :style="{ width: `${100 * each.planned / most}%` }" /><span
            class="took"
            :style="{ width: `${100 * each.took / most}%` }" /></span></td></tr></tbody>
      </table>
    </template>
  </section>
</template>

<style scoped>
td.mono {
  white-space: nowrap;
}
.pair {
  display: block;
  width: min(140px, 20vw);
}
.pair span {
  display: block;
  height: 5px;
  margin: 1px 0;
  border-radius: 2px;
  background: var(--quiet);
}
.pair .took {
  background: var(--verdigris);
}
</style>
