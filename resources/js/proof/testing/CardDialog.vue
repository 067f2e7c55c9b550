<script setup lang="ts">
import type { Answer } from '../../api/answers'
import { ref, watch } from 'vue'
import { api } from '../../api/client'
import { useAttempt } from '../../ui/attempt'
import { many } from '../../ui/words'

/** A certifier's card: looked at first, then recorded, all of it or nothing. */
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ recorded: [] }>()
type Line = Answer<'tests/card', 'post'>['lines'][number]
const lines = ref<Line[]>([])
const csv = ref('')
const id = ref('')
const instrument = ref('')
const certifiers = ref<string[]>([])
const recorded = ref(false)
const { problem, busy, attempt } = useAttempt()
watch(open, async shown => {
  lines.value = []
  csv.value = ''
  problem.value = ''
  recorded.value = false
  if (!shown) return
  const known = await api.get('instruments').then(
    page => page.instruments,
    () => [],
  )
  certifiers.value = known.filter(each => each.kind === 'certifier').map(each => each.name)
  instrument.value ||= certifiers.value[0] ?? ''
})

const look = (event: Event) =>
  attempt(async () => {
    const file = (event.target as HTMLInputElement).files?.[0]
    if (!file) return
    lines.value = []
    csv.value = await file.text()
    id.value = crypto.randomUUID()
    recorded.value = false
    lines.value = (await api.post('tests/card', { csv: csv.value })).lines
  })
const record = () =>
  attempt(async () => {
    await api.post('tests/card', { csv: csv.value, record: true, id: id.value, instrument: instrument.value ?? '' })
    recorded.value = true
    emit('recorded')
  })
</script>

<template>
  <v-dialog v-model="open" max-width="560">
    <v-card class="pad">
      <h1>Certifier card</h1>
      <p class="quiet">A CSV file with one line per pair: cable, pair, length m, delay ns, loop ohm, wire map.
        <a :href="$file('simulators/certifier.csv')">A card of the simulated certifier</a> shows how it looks.</p>
      <label class="file">Choose the file <input type="file" accept=".csv,text/csv" @change="look"></label>
      <p v-if="problem" class="note failed" role="alert">{{ problem }} Nothing was recorded.</p>
      <template v-if="lines.length">
        <table class="lines"><thead><tr><th>Cable</th><th>Results</th><th>Comes to</th></tr></thead><tbody><tr
          v-for="line in lines"
          :key="line.run"><td class="mono">{{ line.code }}</td><td>{{ line.results }}</td>
          <td :class="line.verdict">{{ line.verdict }}</td></tr></tbody></table>
        <v-combobox
          v-model="instrument"
          :items="certifiers"
          label="Certifier"
          hide-details
          density="compact"
          variant="outlined" />
        <p
          v-if="recorded"
          class="note good"
          role="status"><strong>Recorded: {{ many(lines.length, 'cable') }}, in place.</strong></p>
      </template>
      <p class="acts"><v-btn
        color="primary"
        :disabled="!lines.length || recorded"
        :loading="busy"
        @click="record">Record {{ lines.length || '' }}</v-btn><v-btn
          variant="outlined"
          color="primary"
          @click="open = false">Close</v-btn></p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.pad {
  padding: 16px 18px;
  display: grid;
  gap: 10px;
}
p {
  margin: 0;
}
.fails {
  color: var(--flux);
  font-weight: 600;
}
.passes {
  color: var(--verdigris);
}
</style>
