<script setup lang="ts">
import type { Figure } from '../../api/figure'
import type { Reach } from '../../api/types'
import FigureSum from '../../ui/FigureSum.vue'

/** How far circuits go, beside how far they may; `ask` for one with how its figures came about. */
const props = defineProps<{ circuits: Reach[]; ask?: (id: string) => Promise<Reach> }>()
const sum = (id: string, of: (reach: Reach) => Figure | null | undefined) =>
  props.ask && (async () => of(await props.ask!(id)) ?? { value: null, text: '', terms: [] })
const full = (margin: number) => `${Math.max(0, Math.min(100, 100 - margin))}%`
const WORDS = { reaches: 'reaches', tight: 'tight', beyond: 'too far', unknown: 'not known' }
const KIND: Record<string, string> = {
  category: 'length',
  loss: 'loss',
  bus: 'length of the line',
  'bus-loads': 'unit loads',
  capacitance: 'capacitance',
  corner: 'capacitance',
  loudspeaker: 'loss',
  'voltage-drop': 'voltage lost',
}
</script>

<template>
  <table class="lines reach">
    <thead><tr><th>Circuit</th><th>Signal</th><th>Uses</th><th>Of</th><th>Left</th><th>Verdict</th><th>And</th></tr>
    </thead>
    <tbody><tr v-for="each in circuits" :key="each.id">
      <td class="name">{{ each.name }}<span
        v-if="each.runs.join() !== each.name"
        class="quiet mono codes">{{ each.runs.join(' ') }}</span></td><td class="quiet">{{ each.signal }}</td>
      <td data-of="uses"><FigureSum
        v-if="each.used"
        :figure="each.used"
        :ask="sum(each.id, reach => reach.used)"
        strong /><span v-if="each.used" class="quiet small">{{ KIND[each.kind] }}</span></td>
      <td data-of="of"><FigureSum
        v-if="each.limit"
        :figure="each.limit"
        :ask="sum(each.id, reach => reach.limit)" /></td>
      <td class="left" data-of="left"><span v-if="each.margin !== null" class="meter" :class="each.verdict">
        <i :style="{ width: full(each.margin) }" /></span><template v-if="each.margin !== null">
        <span class="mono">{{ Math.round(each.margin) }} %</span><span
          v-if="each.decibels !== null"
          class="mono quiet">, {{ each.decibels.toFixed(1) }} dB</span></template></td>
      <td><b :class="each.verdict">{{ WORDS[each.verdict] }}</b><span
        v-if="each.missing"
        class="quiet small">{{ each.missing }}</span><span
          v-if="each.next"
          class="small">{{ each.next.cable }} would reach, {{ Math.round(each.next.margin) }} % left</span><span
            v-else-if="each.verdict === 'beyond'"
            class="small quiet">no cable of this make would do</span></td>
      <td><div
        v-for="info in each.information"
        :key="info.what"
        class="info"><span class="quiet">{{ info.what }}</span><FigureSum
          :figure="info.figure"
          :ask="sum(each.id, reach => reach.information.find(one => one.what === info.what)?.figure)" /></div></td>
    </tr></tbody>
  </table>
</template>

<style scoped>
td {
  vertical-align: top;
}
.codes,
.small {
  display: block;
  font-size: 12px;
}
.name,
.left {
  white-space: nowrap;
}
.meter {
  display: inline-block;
  width: 64px;
  height: 9px;
  background: var(--panel);
  border-radius: 2px;
  margin-right: 8px;
}
.meter i {
  display: block;
  height: 100%;
  background: var(--verdigris);
  border-radius: 2px;
}
.meter.tight i {
  background: var(--amber);
}
.meter.beyond i {
  background: var(--flux);
}
b.reaches {
  color: var(--verdigris);
}
b.tight {
  color: var(--amber);
}
b.beyond {
  color: var(--flux);
}
.info {
  display: flex;
  gap: 8px;
  font-size: 12px;
  align-items: baseline;
}
/* Seven columns are more than a phone has room for: there a circuit is a short list. */
@media (max-width: 700px) {
  thead {
    position: absolute;
    clip-path: inset(50%);
  }
  .reach,
  tbody,
  tr,
  td {
    display: block;
  }
  tr {
    padding: 6px 0;
    border-bottom: 1px solid var(--line);
  }
  .reach td {
    border: 0;
    padding: 2px 8px;
  }
  td:empty {
    display: none;
  }
  td[data-of]::before {
    content: attr(data-of) ' ';
    color: var(--slate);
    font-size: 12px;
  }
}
</style>
