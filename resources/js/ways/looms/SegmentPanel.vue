<script setup lang="ts">
import type { Segment } from '../../api/looms'
import FigureSum from '../../ui/FigureSum.vue'
import { inFigures, length, short } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'
import CrossSection from './CrossSection.vue'

defineProps<{ segment: Segment; tieEvery: string }>()
</script>

<template>
  <section>
    <h1>{{ segment.wayName }}</h1>
    <p class="quiet">{{ length(segment.start) }} to {{ length(segment.end) }} from the
      root<template v-if="segment.beside"> · a branch beside the rest, on the way to or from its junction</template>.
      The
      way itself is {{ length(segment.wayLength) }} long.</p>
    <CrossSection :circles="segment.circles" :sleeved="segment.sleeve !== null" />
    <dl>
      <dt>thick</dt><dd><FigureSum :figure="segment.diameter" strong /></dd>
      <dt>bend no tighter than</dt><dd><FigureSum :figure="segment.bend" /></dd>
      <dt>weight</dt><dd><FigureSum :figure="segment.mass" /></dd>
      <template v-if="segment.sleeve"><dt>sleeve</dt><dd><details>
        <summary>{{ segment.sleeve.name }}, cut <b class="mono">{{ length(segment.sleeve.cut.result) }}</b></summary>
        <WorkedSum :worked="segment.sleeve.cut" /></details></dd></template>
      <template v-if="segment.shrinks.length"><dt>shrink</dt><dd><details>
        <summary>{{ segment.shrinks.length }} × {{ segment.shrinks[0]!.name }},
          <span class="mono">{{ short(segment.shrinks[0]!.cut.result) }}</span>
        </summary><p
          v-for="piece in segment.shrinks"
          :key="piece.for"
          class="quiet small">{{ piece.for }}</p><WorkedSum
            :worked="segment.shrinks[0]!.cut"
            fine /></details></dd></template>
      <template v-if="segment.points.length"><dt>ties</dt><dd><details>
        <summary>{{ segment.points.length }} × {{ inFigures(segment.tie) }}</summary>
        <p class="quiet small">From the beginning of the segment, at most {{ length(tieEvery) }} apart:
          <span class="mono">{{ segment.points.map(short).join(', ') }}</span>
        </p></details></dd></template>
    </dl>
    <p class="codes mono"><span v-for="each in segment.members" :key="each">{{ each }}</span></p>
    <p
      v-if="segment.shrinks.length"
      class="quiet small">Heat gun: keep the heat off sheaths and sleeving, and off your hands.</p>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 12px;
  font-size: 13px;
  margin: 10px 0;
}
dt {
  color: var(--slate);
}
dd {
  margin: 0;
  min-width: 0;
}
summary {
  cursor: pointer;
}
.small {
  font-size: 12px;
  margin: 4px 0;
}
.codes {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  font-size: 12.5px;
}
</style>
