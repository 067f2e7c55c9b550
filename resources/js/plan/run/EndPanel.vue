<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSession } from '../../api/session'
import type { End } from '../../api/types'
import { hex } from '../../ui/colours'
import ConnectorView from '../../ui/ConnectorView.vue'
import Swatch from '../../ui/Swatch.vue'
import HandJoint from './HandJoint.vue'
import { when } from '../../ui/dates'
import { short } from '../../ui/units'

const props = defineProps<{ run: string; version: number; end: End; view: 'face' | 'wiring' }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const inHand = ref<{ conductor: string; colour: string; address: string; exception: string } | null>(null)
const at = ref(0)
const fitting = computed(() => props.end.fittings[at.value])
const joints = computed(() =>
  props.end.fittings.length > 1 && fitting.value
    ? props.end.joints.filter(joint => joint.fitting === fitting.value?.id)
    : props.end.joints,
)
const fill = computed(() =>
  Object.fromEntries(
    joints.value.filter(joint => joint.fitting === fitting.value?.id).map(joint => [joint.address, tint(joint.colour)]),
  ),
)
/** The core's colour, light enough for the contact's number to be read on it. */
const tint = (colour: string) => `color-mix(in srgb, ${hex(colour.split('/').at(-1) ?? '')} 42%, white)`
const cautions = computed(() => [
  ...new Set([
    ...(props.end.bare?.cautions ?? []),
    ...props.end.fittings.flatMap(each => each.drawing?.cautions ?? []),
  ]),
])
</script>

<template>
  <section :id="`end-${end.side}`" class="end" :aria-label="`End ${end.side}`">
    <h2>End {{ end.side }} · {{ end.location }} <router-link
      v-if="end.fittings.length"
      :to="`/runs/${run}/sheet/${end.side}`"
      class="to-sheet">sheet for the vice</router-link> <router-link
        v-if="end.fittings.length"
        :to="`/bench/${run}`"
        class="to-sheet">bench</router-link></h2>
    <p
      v-for="each in end.leftOut"
      :key="each.at"
      class="note stop">
      <strong>Something was left out of this end: {{ each.note }}</strong>{{ each.who }}, {{ when(each.at) }}.
      <router-link :to="`/bench/${run}`">At the bench</router-link>
    </p>
    <p
      v-if="end.fittings.length === 0"
      class="quiet">No connector: {{ end.bare?.words || 'nobody has said how this end is left' }}.</p>
    <div v-if="end.fittings.length > 1" class="legs" role="tablist" aria-label="Legs">
      <button
        v-for="(each, i) in end.fittings"
        :key="each.id"
        role="tab"
        :aria-selected="i === at"
        @click="at = i">{{ each.leg }}</button>
    </div>
    <div v-if="fitting?.drawing" class="drawn">
      <ConnectorView
        :drawing="fitting.drawing"
        :view="view"
        :fill="fill"
        :height="fitting.drawing.cavities.length > 40 ? 420 : 170" />
      <p><b>{{ fitting.label }}</b><br>{{ fitting.drawing.name }}<br>
        <span class="quiet">{{ fitting.plan }}<template v-if="fitting.source"> ({{ fitting.source }})</template></span>
        <template v-if="fitting.length !== '0 mm'"><br>leg {{ short(fitting.length) }}</template>
        <template v-if="fitting.mate"><br>mates with {{ fitting.mate }}</template></p>
    </div>
    <p v-if="end.pictures.length" class="pictures"><a
      v-for="each in end.pictures"
      :key="each.picture"
      :href="$file(`pictures/${each.picture}`)"
      target="_blank"><img
        :src="$file(`pictures/${each.picture}`)"
        :alt="`Photo by ${each.who}, ${when(each.at)}`"
        height="72"></a></p>
    <p v-if="cautions.length" class="note check"><template
      v-for="caution in cautions"
      :key="caution">{{ caution }}<br></template></p>
    <table v-if="joints.length" class="lines">
      <thead><tr><th>Core</th><th></th><th>Contact</th><th>Function</th><th>Circuit</th><th v-if="session.plans"></th>
      </tr></thead>
      <tbody>
        <tr v-for="joint in joints" :key="joint.conductor + joint.address">
          <td><Swatch :colour="joint.colour" /></td><td class="quiet">{{ joint.element }}</td>
          <td class="mono"><b>{{ joint.address }}</b></td><td>{{ joint.function }}</td>
          <td class="quiet">{{ joint.circuit }}<span
            v-if="joint.exception"
            class="exception"> · by hand: {{ joint.exception }}</span></td>
          <td v-if="session.plans" class="right"><v-btn
            size="x-small"
            variant="text"
            color="primary"
            :aria-label="`Join ${joint.colour} on contact ${joint.address} by hand`"
            @click="inHand = joint">by hand</v-btn></td>
        </tr>
      </tbody>
    </table>
    <details v-if="end.unused.length"><summary>{{ end.unused.length }} unused</summary>
      <table class="lines"><tbody><tr
        v-for="each in end.unused"
        :key="each.conductor"><td><Swatch :colour="each.colour" /></td>
        <td class="quiet">{{ each.element }} {{ each.core }}</td><td>{{ each.reason }}</td><td v-if="session.plans">
          <v-btn
            size="x-small"
            variant="text"
            color="primary"
            :aria-label="`Join ${each.conductor} by hand`"
            @click="inHand = { ...each, address: '', exception: each.reason }">by hand</v-btn></td></tr></tbody></table>
    </details>
    <HandJoint
      v-if="inHand"
      :run="run"
      :version="version"
      :side="end.side"
      :conductor="inHand"
      :fittings="end.fittings"
      @close="inHand = null"
      @done="inHand = null; emit('changed')" />
  </section>
</template>

<style scoped>
.end {
  min-width: 0;
}
.to-sheet {
  margin-left: 10px;
  font-size: 13px;
}
.legs {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  margin-bottom: 8px;
}
.legs button {
  all: unset;
  font: 13px var(--mono);
  min-width: 18px;
  text-align: center;
  padding: 3px 5px;
  border: 1px solid var(--line);
  border-radius: 3px;
  cursor: pointer;
}
.legs button[aria-selected='true'] {
  background: var(--copper-fill);
  border-color: var(--copper);
  color: var(--on-action);
}
.legs button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: 1px;
}
.drawn {
  display: flex;
  gap: 18px;
  align-items: center;
  margin-bottom: 6px;
}
.right {
  text-align: right;
}
.exception {
  color: var(--amber);
}
details {
  margin-top: 8px;
  font-size: 13px;
}
</style>
