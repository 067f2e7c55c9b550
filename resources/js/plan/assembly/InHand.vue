<script setup lang="ts">
import { computed, ref } from 'vue'
import type { AssemblyLeg } from './useInHand'
import ActRow from './ActRow.vue'
import type { AssemblyElement, AssemblyFitting, GestureSent } from './useAssembly'

/** What can be done with what is chosen: elements, cores, legs. */
const props = defineProps<{
  chosen: string[]
  elements: AssemblyElement[]
  legs: AssemblyLeg[]
  fittings: AssemblyFitting[]
  busy: boolean
}>()
const emit = defineEmits<{ gesture: [GestureSent]; fresh: []; splice: [] }>()

/** Reasons that are written on the sheet as they stand here. */
const REASONS = ['cut off', 'insulated', 'spare, parked', 'screen open here']
const own = ref('')
const length = ref('')
const label = ref('')
const cores = computed(() => props.elements.flatMap(each => each.cores.map(core => core.path)))
const areCores = computed(() => props.chosen.every(path => cores.value.includes(path)))
const byHand = computed(() =>
  props.elements.some(each =>
    each.cores.some(
      core =>
        (core.byHand || core.unused) &&
        props.chosen.some(path => core.path === path || core.path.startsWith(`${path}/`)),
    ),
  ),
)
/** Legs that hold something of what is chosen. */
const held = computed(() => {
  const ids = new Set(
    props.elements
      .filter(each => props.chosen.some(path => each.path === path || path.startsWith(`${each.path}/`)))
      .map(each => each.leg),
  )
  return props.legs.filter(leg => ids.has(leg.id))
})
const several = computed(() => held.value.length === 1 && held.value[0]!.elements.length !== 1)
const whole = computed(() => held.value.length === 1 && held.value[0]!.elements[0] === '')
const goTo = computed(() => [...new Set(held.value.map(leg => leg.fitting).filter(Boolean))])
/** Boots that every connector of these legs can have, and by groups where there are enough of them. */
const boots = computed(() => {
  const of = goTo.value.map(id => props.fittings.find(each => each.id === id)?.boots ?? [])
  const common = (of[0] ?? []).filter(colour => of.every(each => each.includes(colour)))
  return common.length < 2
    ? []
    : [
        { value: 'usual', title: 'as usual' },
        ...(goTo.value.length > 8 ? [{ value: '', title: 'one colour for each eight' }] : []),
        ...common.map(colour => ({ value: colour, title: colour })),
      ]
})
const boot = computed(() => {
  const of = new Set(goTo.value.map(id => props.fittings.find(each => each.id === id)?.boot ?? ''))
  return of.size === 1 ? [...of][0] : undefined
})
const leave = (reason: string) => emit('gesture', { kind: 'leave', elements: props.chosen, reason })
function shape() {
  if (length.value.trim()) emit('gesture', { kind: 'shape', legs: held.value.map(leg => leg.id), length: length.value })
  if (label.value.trim() && held.value.length === 1)
    emit('gesture', { kind: 'shape', legs: held.value.map(leg => leg.id), label: label.value })
  length.value = label.value = ''
}
</script>

<template>
  <ActRow :busy="busy">
    <v-btn
      v-if="!areCores || chosen.every(path => !path.includes('/'))"
      @click="emit('fresh')">Into a new connector</v-btn>
    <v-btn
      @click="emit('gesture', { kind: 'free', elements: chosen })">Take off</v-btn>
    <v-btn
      v-if="byHand"
      @click="emit('gesture', { kind: 'as-planned', elements: chosen })">As the plan has it</v-btn>
    <v-btn
      v-if="areCores && chosen.length > 1"
      @click="emit('splice')">Splice</v-btn>
  </ActRow>
  <h2>Leave it unjoined</h2>
  <ActRow :busy="busy">
    <v-btn
      v-for="reason in REASONS"
      :key="reason"
      variant="tonal"
      @click="leave(reason)">{{ reason }}</v-btn>
  </ActRow>
  <form class="own" @submit.prevent="own.trim() && leave(own)"><v-text-field
    v-model="own"
    label="Another reason"
    density="compact"
    hide-details /><v-btn type="submit" size="small" variant="text" :disabled="!own.trim() || busy">Leave</v-btn></form>
  <template v-if="held.length">
    <h2>{{ held.length === 1 ? `Leg ${held[0]!.label}` : `${held.length} legs` }}</h2>
    <form class="legs" @submit.prevent="shape">
      <v-text-field
        v-model="length"
        label="Length"
        placeholder="375 mm or 15 in"
        density="compact"
        hide-details />
      <v-text-field
        v-if="held.length === 1"
        v-model="label"
        label="Name"
        :placeholder="held[0]!.label"
        density="compact"
        hide-details />
      <v-btn type="submit" size="small" variant="outlined" color="primary" :disabled="busy
        || !(length.trim() || label.trim())">Change</v-btn>
    </form>
    <v-select
      v-if="boots.length"
      :model-value="boot"
      label="Boots"
      :items="boots"
      density="compact"
      hide-details
      :disabled="busy"
      @update:model-value="emit('gesture', { kind: 'boots', fittings: goTo, colour: $event, each: 8 })" />
    <ActRow :busy="busy">
      <v-btn
        v-if="several && !whole"
        @click="emit('gesture', { kind: 'part', legs: [held[0]!.id], each: 1 })">A leg for each</v-btn>
      <v-btn
        v-if="whole"
        @click="emit('gesture', { kind: 'part', legs: [held[0]!.id], each: 6 })">Legs of six</v-btn>
      <v-btn
        v-if="held.length > 1"
        @click="emit('gesture', { kind: 'gather', legs: held.map(leg => leg.id) })">Make one leg</v-btn>
    </ActRow>
  </template>
</template>

<style scoped>
.own,
.legs {
  display: flex;
  gap: 6px;
  align-items: center;
  flex-wrap: wrap;
}
.own > :first-child,
.legs > .v-input {
  flex: 1 1 120px;
}
</style>
