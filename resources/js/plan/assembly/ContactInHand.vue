<script setup lang="ts">
import { computed, ref } from 'vue'
import type { AssemblyFitting, GestureSent } from './useAssembly'

/** What can be done with one contact, or between two. */
const props = defineProps<{ contacts: string[]; fittings: AssemblyFitting[]; busy: boolean }>()
const emit = defineEmits<{ gesture: [GestureSent]; parallel: [] }>()
const name = ref('')
const fittingOf = (place: string) => props.fittings.find(each => each.id === place.slice(0, place.indexOf('/')))
const address = (place: string) => place.slice(place.indexOf('/') + 1)
const words = (place: string) => `${fittingOf(place)?.label ?? ''}, contact ${address(place)}`
const one = computed(() => props.contacts[0]!)
const two = computed(() => props.contacts[1] ?? '')
const comes = computed(() => fittingOf(one.value)?.comes[address(one.value)] ?? [])
const isShared = computed(() => fittingOf(one.value)?.shared.includes(address(one.value)) ?? false)
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
  <div class="acts">
    <v-btn
      v-if="two"
      size="small"
      variant="outlined"
      color="primary"
      :disabled="busy"
      @click="emit('gesture', { kind: 'jump', bridges: [{ from: one, to: two }] })">Jumper between them</v-btn>
    <v-btn
      v-if="!two"
      size="small"
      variant="outlined"
      color="primary"
      :disabled="busy"
      @click="emit('gesture', { kind: isShared ? 'unshare' : 'share', fitting: fittingOf(one)?.id,
                                contacts: [address(one)] })">{{ isShared ? 'For one wire only'
                                  : 'Meant for several wires' }}</v-btn>
    <v-btn
      v-if="!two"
      size="small"
      variant="outlined"
      color="primary"
      :disabled="busy"
      @click="emit('parallel')">Jumpers to a new connector</v-btn>
  </div>
  <h2>{{ two ? 'A switch between them' : 'A switch in series with it' }}</h2>
  <v-text-field v-model="name" label="What it is called" placeholder="Ground lift" density="compact" hide-details />
  <div class="acts">
    <v-btn size="small" variant="outlined" color="primary" :disabled="busy" @click="fit(true)">Closed at rest</v-btn>
    <v-btn
      v-if="two"
      size="small"
      variant="outlined"
      color="primary"
      :disabled="busy"
      @click="fit(false)">Open at rest</v-btn>
  </div>
</template>

<style scoped>
p {
  margin: 4px 0;
  font-size: 13px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0;
}
@media (max-width: 700px) {
  .acts :deep(.v-btn) {
    min-height: 48px;
  }
}
</style>
