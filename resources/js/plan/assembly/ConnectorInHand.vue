<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { hex } from '../../ui/colours'
import ConnectorView from '../../ui/ConnectorView.vue'
import type { AssemblyFitting, AssemblyRun, GestureSent } from './useAssembly'

/** The connector in hand: its contacts, to be pressed; its name and what is in its bays. */
const props = defineProps<{
  fitting: AssemblyFitting
  runs: AssemblyRun[]
  lit: string[]
  view: 'face' | 'wiring'
  disabled: boolean
}>()
const emit = defineEmits<{ press: [string]; gesture: [GestureSent] }>()
const label = ref('')
watch(
  () => props.fitting.label,
  now => {
    label.value = now
  },
  { immediate: true },
)
/** The colour of the core that comes to each contact, light enough for its number to be read. */
const fill = computed(() => {
  const colours: Record<string, string> = {}
  for (const run of props.runs)
    for (const end of run.ends)
      for (const element of end.elements)
        for (const core of element.cores)
          for (const to of core.to)
            if (to.startsWith(`${props.fitting.id}/`))
              colours[to.slice(props.fitting.id.length + 1)] =
                `color-mix(in srgb, ${hex(core.colour.split('/').at(-1) ?? '')} 42%, white)`
  return colours
})
const comes = (address: string) => (props.fitting.comes[address] ?? []).join(', ') || 'free'
const equip = (bay: string, insert: string) =>
  emit('gesture', { kind: 'equip', fitting: props.fitting.id, inserts: { [bay]: insert } })
function rename() {
  if (label.value.trim() && label.value !== props.fitting.label)
    emit('gesture', { kind: 'equip', fitting: props.fitting.id, label: label.value })
}
</script>

<template>
  <section class="connector" :aria-label="`Connector ${fitting.label}`">
    <p class="head"><v-text-field
      v-model="label"
      label="Connector in hand"
      density="compact"
      hide-details
      :readonly="disabled"
      @keydown.enter.prevent="rename"
      @blur="rename" /><span class="quiet">{{ fitting.connector }} · {{ fitting.place }}<template
        v-if="fitting.mate"> · mates with {{ fitting.mate }}</template></span></p>
    <ConnectorView
      v-if="fitting.drawing"
      :drawing="fitting.drawing"
      :view="view"
      :fill="fill"
      :lit="lit"
      :pressable="!disabled"
      :titles="comes"
      :height="fitting.drawing.cavities.length > 40 ? 400 : 200"
      @press="emit('press', $event)" />
    <p v-if="fitting.drawing?.shells.length && !disabled" class="shells"><button
      v-for="shell in fitting.drawing.shells"
      :key="shell"
      type="button"
      :aria-pressed="lit.includes(shell)"
      @click="emit('press', shell)">{{ shell }}</button></p>
    <p v-if="fitting.shared.length" class="quiet">Meant for several wires: {{ fitting.shared.join(', ') }}</p>
    <p
      v-for="caution in fitting.drawing?.cautions ?? []"
      :key="caution"
      class="note check">{{ caution }}</p>
    <fieldset v-if="fitting.bays.length" class="fields"><legend>In its bays</legend>
      <v-select
        v-for="bay in fitting.bays"
        :key="bay.name"
        :label="`Bay ${bay.name}`"
        :model-value="bay.insert"
        :items="[{ id: '', name: 'nothing' }, ...bay.choices]"
        item-value="id"
        item-title="name"
        density="compact"
        hide-details
        :disabled="disabled"
        @update:model-value="equip(bay.name, $event)" />
    </fieldset>
  </section>
</template>

<style scoped>
.head {
  display: grid;
  gap: 4px;
  margin: 0 0 8px;
}
.shells {
  text-align: center;
  margin: 4px 0;
}
.shells button {
  all: unset;
  padding: 5px 12px;
  border: 1px solid var(--ink);
  border-radius: 12px;
  font: 12px var(--mono);
  cursor: pointer;
}
.shells button[aria-pressed='true'] {
  background: var(--copper);
  color: var(--on-action);
}
.shells button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: 1px;
}
</style>
