<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Group } from '../../api/progress'
import { STAGE } from '../../ui/stages'
import { many } from '../../ui/words'
import { behind, wordsOf, type Way } from './behind'

/** The strand grown into a matrix: each bead filled as far as runs have come. */
const props = defineProps<{ groups: Group[]; by: Way; stages: string[]; whole: Group | null }>()
const emit = defineEmits<{ look: [group: Group, stage: string] }>()
/** All runs first, where there are several groups of them. */
const rows = computed(() => (props.whole && props.groups.length > 1 ? [props.whole, ...props.groups] : props.groups))
const shown = computed(() => props.stages.filter(stage => props.groups.some(group => group.stages[stage])))
const at = (group: Group, stage: string) => group.stages[stage]!
const share = (group: Group, stage: string) => {
  const { of, done, overtaken } = at(group, stage)
  return of === 0 ? 0 : (done + overtaken) / of
}
/** Of a bead's height, 0 to 22. */
const level = (group: Group, stage: string) => 22 * (1 - share(group, stage))
const name = (group: Group) => (group === props.whole ? 'all runs' : group.name || 'single runs')
const words = (group: Group) => (group === props.whole ? '' : wordsOf(props.by, group.name))
const isLeft = (group: Group, stage: string) => at(group, stage).done < at(group, stage).of
/** What its shape says besides how far it is filled. */
const besides = (group: Group, stage: string) => {
  const { failed, overtaken } = at(group, stage)
  return [failed ? `${failed} failed` : '', overtaken ? `${overtaken} overtaken` : ''].filter(Boolean).join(', ')
}
const spoken = (group: Group, stage: string) => {
  const { of, done } = at(group, stage)
  const more = besides(group, stage)
  return `${name(group)}, ${STAGE[stage]}: ${done} of ${of}${more ? `, ${more}` : ''}`
}
</script>

<template>
  <div class="matrix" tabindex="0" role="region" aria-label="How far runs have come">
    <table>
      <caption class="visually-hidden">Runs that have come to each stage; press one for those that are left</caption>
      <thead><tr><td /><th v-for="stage in shown" :key="stage" scope="col">{{ STAGE[stage] }}</th></tr></thead>
      <tbody>
        <tr v-for="(group, i) in rows" :key="i" :class="{ whole: group === whole }">
          <th scope="row"><router-link :to="behind(words(group))">{{ name(group) }}</router-link>
            <small>{{ many(group.runs, 'run') }}</small></th>
          <td v-for="stage in shown" :key="stage">
            <component
              :is="by === 'person' ? 'button' : RouterLink"
              v-if="group.stages[stage]"
              class="cell"
              v-bind="
                by === 'person'
                  ? { type: 'button' }
                  : { to: behind(words(group), stage, isLeft(group, stage)) }
              "
              @click="by === 'person' && emit('look', group, stage)"
              :title="spoken(group, stage)">
              <svg width="26" height="26" viewBox="-2 -2 26 26" aria-hidden="true">
                <clipPath :id="`b${stage}${i}`"><circle cx="11" cy="11" r="11" /></clipPath>
                <circle cx="11" cy="11" r="11" class="hollow" />
                <rect
                  x="0"
                  :y="level(group, stage)"
                  width="22"
                  height="22"
                  class="fill"
                  :clip-path="`url(#b${stage}${i})`" />
                <circle cx="11" cy="11" r="11" class="edge" :class="{ overtaken: at(group, stage).overtaken > 0 }" />
                <path v-if="at(group, stage).failed > 0" d="M24 1H14L12 5.5L14 10H24L20.5 5.5Z" class="failed" />
              </svg>
              <span><span class="visually-hidden">{{ name(group) }}, {{ STAGE[stage] }}: </span><span
                class="mono">{{ at(group, stage).done }}<small>/{{ at(group, stage).of }}</small></span><span
                v-if="besides(group, stage)"
                class="visually-hidden">, {{ besides(group, stage) }}</span></span>
            </component>
            <span v-else class="none" aria-hidden="true" />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.matrix {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
}
thead th {
  font-size: 12px;
  font-weight: 500;
  color: var(--slate);
  padding: 2px 0 6px;
}
tbody th {
  text-align: left;
  font-weight: 500;
  vertical-align: top;
  padding: 6px 14px 4px 0;
  min-width: 96px;
  max-width: 230px;
}
.whole th a {
  font-weight: 650;
}
tbody th small {
  display: block;
  color: var(--slate);
  font-weight: 400;
}
td {
  vertical-align: top;
  padding: 3px 0;
  text-align: center;
  /* The string that the beads are threaded on. */
  background: linear-gradient(var(--line), var(--line)) 0 16px / 100% 1.5px no-repeat;
}
thead td {
  background: none;
}
.cell {
  display: inline-grid;
  justify-items: center;
  min-width: 52px;
  padding: 0 2px;
  text-decoration: none;
  color: var(--ink) !important;
  font-size: 12px;
  line-height: 1.3;
}
button.cell {
  border: 0;
  background: none;
  font: inherit;
  font-size: 12px;
  cursor: pointer;
}
.cell small {
  color: var(--slate);
}
.hollow {
  fill: var(--paper);
}
.fill {
  fill: var(--verdigris);
}
.edge {
  fill: none;
  stroke: var(--slate);
  stroke-width: 1.4;
}
.edge.overtaken {
  stroke: var(--amber);
  stroke-width: 2.6;
}
.failed {
  fill: var(--flux);
  stroke: var(--paper);
  stroke-width: 1;
}
</style>
