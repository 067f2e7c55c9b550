<script setup lang="ts">
import type { SheetCore } from '../../api/types'
import Swatch from '../../ui/Swatch.vue'
import { length, short } from '../../ui/units'

/** Joints in the order of work. On mains the marked terminal leads and the colour follows. */
defineProps<{ cores: SheetCore[]; channels: boolean; mains: boolean }>()
</script>

<template>
  <table class="lines">
    <thead><tr><th></th><th v-if="mains">Terminal</th><th>Core</th><th v-if="!mains">Contact</th><th>Function</th>
      <th class="right">From the sheath</th></tr></thead>
    <tbody>
      <tr v-for="(core, i) in cores" :key="core.conductor + core.address">
        <td class="quiet">{{ i + 1 }}</td>
        <td v-if="mains"><b class="mono big">{{ core.address }}</b> {{ core.terminal }}</td>
        <td><Swatch :colour="core.colour || 'bare'" /> <span v-if="!mains" class="quiet">{{ core.element }}</span></td>
        <td v-if="!mains">
          <b class="mono big">{{ core.address }}</b> <span class="quiet wraps">{{ core.terminal }}</span></td>
        <td>{{ core.function }}<span v-if="channels" class="quiet"> · {{ core.channel }}</span><span
          v-if="core.exception"
          class="mind"> by hand: {{ core.exception }}</span></td>
        <td v-if="!core.cut" class="right quiet">not known</td>
        <td v-else class="right"><details class="sum"><summary class="mono">{{ short(core.cut) }}</summary><span
          v-for="term in core.length.terms"
          :key="term.label">{{ term.label }} {{ term.detail }} {{ length(term.amount) }} <em>{{ term.source }}</em>
        </span><span v-if="core.cut !== core.length.result">cut to {{ short(core.cut) }}, as it is marked</span>
        </details></td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.wraps {
  white-space: normal;
}
td,
th {
  white-space: nowrap;
  padding-left: 5px !important;
  padding-right: 5px !important;
}
.big {
  font-size: 15px;
}
.right {
  text-align: right;
}
.mind {
  color: var(--amber);
}
.sum summary {
  cursor: pointer;
  list-style: none;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.sum summary::-webkit-details-marker {
  display: none;
}
.sum span {
  display: block;
  font-size: 12px;
  color: var(--slate);
}
.sum em {
  font-style: normal;
  opacity: 0.8;
}
</style>
