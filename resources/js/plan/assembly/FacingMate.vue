<script setup lang="ts">
import { computed, ref } from 'vue'
import ConnectorView from '../../ui/ConnectorView.vue'
import { when } from '../../ui/dates'
import type { AssemblyFitting } from './useAssembly'

/** The connector in hand beside what it mates with, contact by contact, and who has compared them. */
const props = defineProps<{ fitting: AssemblyFitting; may: boolean; busy: boolean }>()
const emit = defineEmits<{ checked: [string] }>()
const facing = computed(() => props.fitting.facing!)
const differ = computed(() => facing.value.pairs.filter(pair => !pair.agrees))
const agree = computed(() => facing.value.pairs.length - differ.value.length)
const at = ref('')
const pair = computed(() => facing.value.pairs.find(each => each.address === at.value))
</script>

<template>
  <section aria-label="Beside what it mates with">
    <h2>Beside {{ facing.with }}</h2>
    <p>{{ agree }} {{ agree === 1 ? 'contact meets' : 'contacts meet' }} its own<template
      v-if="differ.length">, <b class="differ">{{ differ.length }} {{ differ.length === 1 ? 'does'
      : 'do' }} not</b></template>.</p>
    <p v-if="facing.checked" :class="['note', facing.checked.holds ? 'good' : 'check']">Compared by
      {{ facing.checked.who }}, {{ when(facing.checked.at) }}<template v-if="!facing.checked.holds">; it has changed
        since</template>.</p>
    <details>
      <summary>Compare contact by contact</summary>
      <div class="both">
        <ConnectorView
          v-if="fitting.drawing"
          :drawing="fitting.drawing"
          view="wiring"
          :current="at"
          :bad="differ.map(each => each.address)"
          :height="150" />
        <ConnectorView
          v-if="facing.drawing"
          :drawing="facing.drawing"
          view="face"
          :current="pair?.opposite ?? ''"
          :bad="differ.map(each => each.opposite)"
          :height="150" />
      </div>
      <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- scrolled by keys -->
      <div class="pairs" tabindex="0"><table class="lines" aria-label="Contacts that meet">
        <thead><tr><th>Here</th><th></th><th>There</th><th></th></tr></thead>
        <tbody><tr
          v-for="each in facing.pairs"
          :key="each.address + each.opposite"
          :class="{ bad: !each.agrees, at: each.address === at }"
          @pointerenter="at = each.address">
          <td class="mono">{{ each.address }}</td><td>{{ each.own || 'free' }}</td>
          <td class="mono">{{ each.opposite }}</td><td>{{ each.theirs || 'free' }}</td></tr></tbody>
      </table></div>
      <v-btn
        v-if="may"
        size="small"
        color="primary"
        :loading="busy"
        @click="emit('checked', facing.print)">I have compared all {{ facing.pairs.length }}</v-btn>
    </details>
  </section>
</template>

<style scoped>
p {
  margin: 4px 0;
  font-size: 13px;
}
.differ,
.bad td {
  color: var(--flux);
}
.at td {
  background: var(--chosen);
}
.pairs {
  max-height: 300px;
  overflow: auto;
  margin-bottom: 8px;
}
.both {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  justify-content: center;
}
summary {
  cursor: pointer;
  font-size: 13px;
  padding: 4px 0;
}
</style>
