<script setup lang="ts">
import { computed, ref } from 'vue'
import { code as short, hex } from '../../ui/colours'
import { length } from '../../ui/units'
import { addressOf, fittingOf } from './names'
import type { AssemblyElement, AssemblyEnd, AssemblyFitting } from './useAssembly'

/** The end in hand, element by element: which are chosen, where each core comes to, or why it does not. */
const props = defineProps<{
  end: AssemblyEnd
  code: string
  fittings: AssemblyFitting[]
  chosen: string[]
  disabled: boolean
}>()
const emit = defineEmits<{ choose: [string[]]; fitting: [string] }>()
const last = ref('')
const label = (fitting: string) => props.fittings.find(each => each.id === fitting)?.label ?? fitting
/** The whole cable is no leg of it. */
const leg = (id: string) => props.end.legs.find(each => each.id === id && each.elements[0] !== '')

/** With the shift key, everything from the last one on. */
function toggle(path: string, event: Event) {
  const isExtending = event instanceof MouseEvent && event.shiftKey && last.value !== ''
  const order = props.end.elements.map(each => each.path)
  const on = !props.chosen.includes(path)
  let next = props.chosen.filter(each => each !== path)
  if (on) next.push(path)
  if (isExtending) {
    const [from, to] = [order.indexOf(last.value), order.indexOf(path)].sort((a, b) => a - b) as [number, number]
    next = [...new Set([...props.chosen, ...order.slice(from, to + 1)])]
  }
  last.value = path
  emit('choose', inOrder(without(next, path)))
}
/** An element and a core of it are not in hand at once. */
const without = (paths: string[], latest: string) =>
  paths.filter(each => each === latest || !(each.startsWith(`${latest}/`) || latest.startsWith(`${each}/`)))
function inOrder(paths: string[]): string[] {
  const order = props.end.elements.flatMap(each => [each.path, ...each.cores.map(core => core.path)])
  return [...paths].sort((a, b) => order.indexOf(a) - order.indexOf(b))
}
const all = computed(() => props.end.elements.map(each => each.path))
const isAll = computed(() => all.value.length > 0 && all.value.every(path => props.chosen.includes(path)))

/** Connectors and splices that an element comes to, each once. */
const goes = (element: AssemblyElement) =>
  [...new Set(element.cores.flatMap(core => core.to.map(to => (isSplice(to) ? to : fittingOf(to)))))].map(at => ({
    fitting: isSplice(at) ? '' : at,
    words: isSplice(at) ? at.replace(':', ' ') : label(at),
  }))
const isSplice = (to: string) => to.startsWith('splice:')
const contact = (to: string) => (isSplice(to) ? 'splice' : addressOf(to))
const why = (element: AssemblyElement) => [
  ...new Set(element.cores.filter(core => core.unused).map(core => core.unused)),
]
const byHand = (element: AssemblyElement) => element.cores.some(core => core.byHand)
</script>

<template>
  <table class="lines elements" :aria-label="`Elements of ${code} end ${end.side}`">
    <thead><tr>
      <th><label class="pick"><input
        type="checkbox"
        :checked="isAll"
        :disabled="disabled"
        @change="emit('choose', isAll ? [] : all)"><span>Element</span></label></th>
      <th>Cores</th><th>Leg</th><th>Comes to</th></tr></thead>
    <tbody>
      <tr
        v-for="element in end.elements"
        :key="element.path"
        :class="{ chosen: chosen.includes(element.path) }">
        <td><label class="pick"><input
          type="checkbox"
          :checked="chosen.includes(element.path)"
          :disabled="disabled"
          @click="toggle(element.path, $event)"><span>{{ element.label }}</span></label></td>
        <td><span class="cores"><button
          v-for="core in element.cores"
          :key="core.path"
          type="button"
          :disabled="disabled"
          :aria-pressed="chosen.includes(core.path)"
          :title="`${core.label}: ${core.words || core.unused}`"
          @click="toggle(core.path, $event)"><i
            :style="{ background: hex(core.colour.split('/')[0] ?? ''),
                      borderColor: hex(core.colour.split('/').at(-1) ?? '') }" /><span
                        class="visually-hidden">{{ element.label }} {{ core.label }}, </span>{{ short(core.colour) }} <b
            class="mono"
            :class="{ hand: core.byHand }">{{ core.to.map(contact).join(' ') || '–' }}</b></button></span>
        </td>
        <td class="leg">{{ leg(element.leg)?.label ?? '' }}<span
          v-if="leg(element.leg)"
          class="quiet long">{{ length(leg(element.leg)!.length) }}</span></td>
        <td>
          <template v-for="(each, i) in goes(element)" :key="each.words"><template v-if="i">, </template><button
            v-if="each.fitting"
            type="button"
            class="to"
            @click="emit('fitting', each.fitting)">{{ each.words }}</button><span v-else>{{ each.words }}</span>
          </template>
          <span v-if="byHand(element)" class="hand"> by hand</span>
          <span
            v-if="why(element).length"
            class="quiet">{{ goes(element).length ? ' · ' : '' }}{{ why(element).join(', ') }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.elements td {
  padding: 2px 6px;
}
.chosen td {
  background: var(--chosen);
}
.pick {
  display: flex;
  gap: 8px;
  align-items: center;
  cursor: pointer;
  min-height: 28px;
  white-space: nowrap;
}
.pick input {
  width: 18px;
  height: 18px;
  accent-color: var(--copper-fill);
}
.cores {
  display: flex;
  gap: 4px;
}
.cores button {
  all: unset;
  display: inline-flex;
  gap: 4px;
  align-items: center;
  padding: 2px 6px;
  min-height: 22px;
  white-space: nowrap;
  border: 1px solid var(--line);
  border-radius: 3px;
  font-size: 12px;
  cursor: pointer;
}
.cores button[aria-pressed='true'] {
  border-color: var(--copper);
  background: var(--chosen);
}
.cores button:focus-visible,
.to:focus-visible {
  outline: 2px solid var(--copper);
}
.cores button:disabled {
  cursor: default;
}
.cores i {
  width: 5px;
  height: 5px;
  border-radius: 50%;
  border: 3px solid;
  box-shadow: 0 0 0 1px var(--slate);
}
.leg {
  white-space: nowrap;
}
.long {
  margin-left: 8px;
}
.to {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
}
.hand {
  color: var(--amber);
}
@media (max-width: 700px) {
  .cores {
    flex-wrap: wrap;
  }
  .elements thead,
  .leg {
    display: none;
  }
  .elements tr {
    display: grid;
    grid-template-columns: auto 1fr;
    border-bottom: 1px solid var(--line);
  }
  .elements td {
    border: 0;
  }
  .elements td:last-child {
    grid-column: 1 / -1;
  }
  .pick,
  .cores button {
    min-height: 44px;
  }
}
</style>
