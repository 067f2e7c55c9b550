<script setup lang="ts">
import { computed } from 'vue'
import { many } from '../../../ui/words'
import type { Importing } from './useImport'

/** What would come in: the runs, and what is made for them. */
const { of } = defineProps<{ of: Importing }>()
const FIRST = 200
const told = computed(() => of.answer.value)
const list = (names: string[]) =>
  names.length > 12 ? `${names.slice(0, 12).join(', ')} and ${names.length - 12} more` : names.join(', ')
</script>

<template>
  <template v-if="told">
    <label v-if="told.lengths.missing" class="lengths"><input
      type="checkbox"
      :checked="of.said.value.lengths === 'ways'"
      @change="of.lengths(($event.target as HTMLInputElement).checked)"> Make a way of the length that is said,
      between the {{ many(told.lengths.missing, 'pair') }} of places that none leads between yet</label>
    <p v-if="told.lengths.passedOver" class="quiet">{{ many(told.lengths.passedOver, 'length') }}
      {{ told.lengths.passedOver === 1 ? 'is' : 'are' }} not taken: the ways between their places say how long these
      runs are.</p>
    <p v-if="told.examples" class="quiet">The example row of the template is passed over.</p>
    <p v-if="told.places.length" class="note"><strong>{{ many(told.places.length, 'place') }} will be made</strong>
      {{ list(told.places) }}</p>
    <p v-if="told.ways.length" class="note"><strong>{{ many(told.ways.length, 'way') }} will be made</strong>
      {{ list(told.ways) }}. As in free air: say in the building what they really are.</p>
    <p v-if="told.looms.length" class="note"><strong>{{ many(told.looms.length, 'loom') }} will be made</strong>
      {{ list(told.looms) }}</p>
    <p v-if="told.devices.length" class="note"><strong>{{ many(told.devices.length, 'device') }} will be made</strong>
      {{ list(told.devices) }}: in brackets the ports, of connectors that mate with what is plugged in.</p>
    <p v-if="told.plugged" class="quiet">{{ many(told.plugged, 'end') }} will be plugged into devices.</p>
    <section v-if="told.runs.length" aria-label="Runs that would come in">
      <h2>{{ many(told.runs.length, 'run') }} would come in</h2>
      <table class="lines" aria-label="What would come in">
        <thead><tr><th>Code</th><th>Cable</th><th>From → to</th><th>Circuits</th><th>Fittings</th></tr></thead>
        <tbody><tr
          v-for="each in told.runs.slice(0, FIRST)"
          :key="each.code"><td class="mono">{{ each.code }}</td><td>{{ each.cable }}</td>
          <td>{{ each.from }} → {{ each.to }}</td><td>{{ each.circuits }}</td><td>{{ each.fittings }}</td></tr>
        </tbody>
      </table>
      <p v-if="told.runs.length > FIRST" class="quiet">The first {{ FIRST }} are shown.</p>
    </section>
  </template>
</template>

<style scoped>
.lengths {
  display: block;
  margin: 8px 0;
}
</style>
