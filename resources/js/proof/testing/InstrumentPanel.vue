<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../../api/client'
import type { NamedFault, Reading, TestSheet } from '../../api/test'
import { useAttempt } from '../../ui/attempt'
import UnpluggedNote from './UnpluggedNote.vue'

/** Which instrument the reading is taken with; a simulated one can be asked to read by itself. */
const props = defineProps<{ id: string; sheet: TestSheet; method: string }>()
const emit = defineEmits<{ read: [reading: Reading] }>()
const name = defineModel<string>({ required: true })
const unplugged = defineModel<boolean>('unplugged', { required: true })
const { problem, said, busy, attempt } = useAttempt()

const known = computed(() => props.sheet.instruments.find(each => each.name === name.value))
const overdue = computed(
  () => known.value?.calibratedTo && known.value.calibratedTo < new Date().toISOString().slice(0, 10),
)
const can = computed(() => known.value?.methods.some(method => method === props.method) ?? false)
const puts = (method: string) => props.sheet.cards[method]?.unplugged === true
/** It would put its voltage on what may be plugged in. */
const held = computed(() => puts(props.method) && !unplugged.value)
const heldAll = computed(() => (known.value?.methods.some(puts) ?? false) && !unplugged.value)
const read = (all: boolean) =>
  attempt(async () => {
    const message = await api.post(`simulators/instruments/${known.value!.id}/measure`, {
      assembly: props.id,
      ...(all ? {} : { measure: [props.method === 'map' ? 'shells' : props.method] }),
    })
    await take(message)
  }, 'Read.')
async function take(message: unknown) {
  const answer = await api.post(`runs/${props.id}/message`, { message })
  if (!name.value) name.value = answer.instrument
  emit('read', { lights: {}, ...answer.reading })
}
const file = (event: Event) =>
  attempt(async () => {
    const input = event.target as HTMLInputElement
    const chosen = input.files?.[0]
    if (!chosen) return
    let message: unknown
    try {
      message = JSON.parse(await chosen.text())
    } catch {
      message = 'no JSON'
    }
    input.value = ''
    await take(message)
  }, 'Read from the file.')

/** Faults that are put into the simulated cable. */
const dialog = ref(false)
const inside = ref<NamedFault[]>([])
const could = ref<NamedFault[]>([])
const words = ref('')
const listed = computed(() =>
  could.value
    .filter(
      fault =>
        fault.words.toLowerCase().includes(words.value.toLowerCase()) &&
        !inside.value.some(each => each.key === fault.key),
    )
    .slice(0, 60),
)
const open = () =>
  attempt(async () => {
    const answer = await api.get(`simulators/assemblies/${props.id}`)
    inside.value = answer.in
    could.value = answer.could
    dialog.value = true
  })
const inject = (keys: string[]) =>
  attempt(async () => {
    inside.value = (await api.put(`simulators/assemblies/${props.id}`, { faults: keys })).in
  })
</script>

<template>
  <section class="instrument" aria-label="Measuring">
    <v-combobox
      v-model="name"
      :items="sheet.instruments.map(each => each.name)"
      label="Instrument"
      hide-details
      density="compact"
      variant="outlined"
      clearable />
    <p
      v-if="overdue"
      class="note check">Its calibration held until {{ known?.calibratedTo }}: every result with it will say so.</p>
    <p v-if="known" class="acts">
      <v-btn
        size="small"
        variant="outlined"
        color="primary"
        :loading="busy"
        :disabled="!can || held"
        @click="read(false)">Read with it</v-btn>
      <v-btn
        size="small"
        variant="text"
        color="primary"
        :disabled="busy || heldAll"
        @click="read(true)">All it can</v-btn>
    </p>
    <UnpluggedNote v-if="known && heldAll && !puts(method)" v-model="unplugged" />
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <p v-else-if="said" class="quiet" role="status">{{ said }}</p>
    <p class="links"><label>Message file <input
      type="file"
      accept=".json,application/json"
      @change="file"></label><button type="button" @click="open">Simulated cable …</button></p>
    <v-dialog v-model="dialog" max-width="620">
      <v-card class="pad">
        <h1>What is wrong with the simulated cable</h1>
        <p class="quiet">The simulated instruments read {{ sheet.run.code }} as it is planned, with these faults in
          it.</p>
        <ul v-if="inside.length"><li v-for="fault in inside" :key="fault.key">{{ fault.words }} <button
          type="button"
          @click="inject(inside.filter(each => each.key !== fault.key).map(each => each.key))">take out</button></li>
        </ul>
        <p v-else><b>Nothing: it is good.</b></p>
        <v-text-field v-model="words" label="Put a fault in: search" clearable />
        <ul class="could"><li v-for="fault in listed" :key="fault.key"><button
          type="button"
          @click="inject([...inside.map(each => each.key), fault.key])">{{ fault.words }}</button></li></ul>
        <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
        <p class="acts"><v-btn color="primary" @click="dialog = false">Done</v-btn><v-btn
          v-if="inside.length"
          variant="outlined"
          color="primary"
          @click="inject([])">Make it good</v-btn></p>
      </v-card>
    </v-dialog>
  </section>
</template>

<style scoped>
.instrument {
  display: grid;
  gap: 6px;
}
p {
  margin: 0;
}
.links {
  display: flex;
  gap: 12px;
  font-size: 12.5px;
  flex-wrap: wrap;
}
.links label {
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 2px;
  cursor: pointer;
}
.links input {
  position: absolute;
  width: 1px;
  opacity: 0;
}
.links label:focus-within {
  outline: 2px solid var(--copper);
}
button:not(.v-btn) {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 2px;
}
button:not(.v-btn):focus-visible {
  outline: 2px solid var(--copper);
}
.pad {
  padding: 16px 18px;
  display: grid;
  gap: 10px;
}
ul {
  margin: 0;
  padding-left: 18px;
  font-size: 13px;
}
.could {
  max-height: 260px;
  overflow: auto;
}
</style>
