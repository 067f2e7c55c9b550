<script setup lang="ts">
import { computed, ref } from 'vue'
import { addressOf, fittingOf } from './names'
import ActRow from './ActRow.vue'
import type { AssemblyFitting, GestureSent } from './useAssembly'

/** What can be done with one contact, or between two. */
const props = defineProps<{ contacts: string[]; fittings: AssemblyFitting[]; busy: boolean }>()
const emit = defineEmits<{ gesture: [GestureSent]; parallel: [] }>()
const name = ref('')
const connector = (place: string) => props.fittings.find(each => each.id === fittingOf(place))
const words = (place: string) => `${connector(place)?.label ?? ''}, contact ${addressOf(place)}`
const one = computed(() => props.contacts[0]!)
const two = computed(() => props.contacts[1] ?? '')
const comes = computed(() => connector(one.value)?.comes[addressOf(one.value)] ?? [])
const isShared = computed(() => connector(one.value)?.shared.includes(addressOf(one.value)) ?? false)
const fit = (closed: boolean) =>
  emit('gesture', {
    kind: 'fit-switch',
    from: two.value ? one.value : '',
    to: two.value || one.value,
    label: name.value,
    closed,
  })
</script>

<template>
  <p><b>{{ words(one) }}</b><template v-if="two"> and <b>{{ words(two) }}</b></template></p>
  <p v-if="!two" class="quiet">{{ comes.length ? comes.join(', ') : 'Nothing comes to it.' }} Press a second contact to
    join the two.</p>
  <ActRow :busy="busy">
    <v-btn
      v-if="two"
      @click="emit('gesture', { kind: 'jump', bridges: [{ from: one, to: two }] })">Jumper between them</v-btn>
    <v-btn
      v-if="!two"
      @click="emit('gesture', { kind: isShared ? 'unshare' : 'share', fitting: fittingOf(one),
                                contacts: [addressOf(one)] })">{{ isShared ? 'For one wire only'
                                  : 'Meant for several wires' }}</v-btn>
    <v-btn
      v-if="!two"
      @click="emit('parallel')">Jumpers to a new connector</v-btn>
  </ActRow>
  <h2>{{ two ? 'A switch between them' : 'A switch in series with it' }}</h2>
  <v-text-field v-model="name" label="What it is called" placeholder="Ground lift" density="compact" hide-details />
  <ActRow :busy="busy">
    <v-btn @click="fit(true)">Closed at rest</v-btn>
    <v-btn
      v-if="two"
      @click="fit(false)">Open at rest</v-btn>
  </ActRow>
</template>

<style scoped>
p {
  margin: 4px 0;
  font-size: 13px;
}
</style>
