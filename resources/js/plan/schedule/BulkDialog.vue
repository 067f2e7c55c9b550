<script setup lang="ts">
import { BARE } from '../bare'
import { MADE } from '../made'
import { sleeveChoices } from '../sleeves'
import { computed, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { Catalogue, Row } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { length } from '../../ui/units'

/** The same change for every marked run, or new codes in a row: one step to undo. */
const props = defineProps<{ rows: Row[] }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ done: [said: string] }>()
const catalogue = ref<Catalogue | null>(null)
const what = ref<'fields' | 'codes'>('fields')
const KEEP = '\u0000'
/** Fields that are chosen: to have none is a choice as well. */
const CHOSEN = ['build', 'loom', 'cable', 'bare_a', 'bare_b', 'sleeve']
const AS_EACH = { value: KEEP, title: 'as each is' }
const blank = () => ({
  build: KEEP,
  loom: KEEP,
  cable: KEEP,
  bare_a: KEEP,
  bare_b: KEEP,
  sleeve: KEEP,
  tail_a: '',
  tail_b: '',
  slack_a: '',
  slack_b: '',
  spares_a: '',
  spares_b: '',
  leg_a: '',
  leg_b: '',
  length: '',
  note: '',
})
const values = ref<Record<string, string>>(blank())
const ways = ref<string[]>([])
/** As a number, where it is one; else as it was typed, so that it is named. */
const whole = (typed: string) => (/^\d+$/.test(typed.trim()) ? Number(typed) : typed)
const numbering = () => ({
  prefix: number.value.prefix,
  from: whole(number.value.from),
  step: whole(number.value.step),
})
const number = ref({ prefix: '', from: '1', step: '1' })
const { problem, busy, attempt } = useAttempt()

watch(
  open,
  async value => {
    if (!value) return
    values.value = blank()
    ways.value = []
    problem.value = ''
    const first = props.rows[0]?.code.match(/^(.*?)(\d+)\D*$/)
    number.value = { prefix: first?.[1] ?? '', from: first?.[2] ?? '1', step: '1' }
    catalogue.value ??= await api.get('catalogue')
  },
  { immediate: true },
)
const line = computed(() => ({
  ...Object.fromEntries(
    Object.entries(values.value).filter(([key, value]) => (CHOSEN.includes(key) ? value !== KEEP : value !== '')),
  ),
  ...(ways.value.length ? { ways: ways.value.join('|') } : {}),
}))
const preview = computed(() =>
  props.rows
    .slice(0, 3)
    .map(
      (_, i) =>
        number.value.prefix + String(Number(number.value.from) + i * Number(number.value.step)).padStart(3, '0'),
    )
    .join(', '),
)

const save = () =>
  attempt(async () => {
    const runs = props.rows.map(row => ({ id: row.id, version: row.version }))
    const answer = await api.patch(
      'runs',
      what.value === 'codes' ? { runs, number: numbering() } : { runs, line: line.value },
    )
    open.value = false
    emit('done', `${answer.changed} runs are changed. u undoes it.`)
  })
</script>

<template>
  <v-dialog v-model="open" max-width="560" scrollable>
    <v-card class="pa-5"><form @submit.prevent="save">
      <h1>{{ rows.length }} {{ rows.length === 1 ? 'run' : 'runs' }} at once</h1>
      <p class="mono quiet">{{ rows.slice(0, 8).map(row => row.code).join(' ') }}{{ rows.length > 8 ? ' …' : '' }}</p>
      <fieldset class="what"><label><input
        v-model="what"
        type="radio"
        value="fields"> change fields</label><label><input
          v-model="what"
          type="radio"
          value="codes"> number them anew</label></fieldset>
      <template v-if="what === 'fields' && catalogue">
        <p class="quiet">What stays empty stays as each run has it.</p>
        <div class="two">
          <v-select
            v-model="values.build"
            label="Made"
            :items="[AS_EACH, ...MADE]" />
          <v-select
            v-model="values.loom"
            label="Loom"
            :items="[{ id: KEEP, name: 'as each is' }, { id: '', name: 'none' }, ...catalogue.looms]"
            item-title="name"
            item-value="id" />
          <v-autocomplete
            v-model="values.cable"
            label="Cable"
            :items="[{ id: KEEP, name: 'as each is' }, ...catalogue.cables]"
            item-title="name"
            item-value="id" />
          <v-autocomplete
            v-model="ways"
            label="Ways, in order"
            multiple
            :items="catalogue.ways"
            item-value="id"
            :item-title="way => `${way.name} ${length(way.length)}`" />
          <v-text-field
            v-model="values.tail_a"
            label="Tail A, m" /><v-text-field v-model="values.tail_b" label="Tail B, m" />
          <v-text-field
            v-model="values.slack_a"
            label="Slack A, m" /><v-text-field v-model="values.slack_b" label="Slack B, m" />
          <v-text-field
            v-model="values.spares_a"
            label="Spare ends A" /><v-text-field v-model="values.spares_b" label="Spare ends B" />
          <v-text-field
            v-model="values.leg_a"
            label="Legs A, m; unequal: 0.3 | 0.375" /><v-text-field v-model="values.leg_b" label="Legs B, m" />
          <v-select
            v-model="values.bare_a"
            label="Ends A without a connector"
            :items="[AS_EACH, ...BARE]" /><v-select
              v-model="values.bare_b"
              label="Ends B without a connector"
              :items="[AS_EACH, ...BARE]" />
          <v-select
            v-model="values.sleeve"
            label="Sleeve over all of it"
            :items="[AS_EACH, ...sleeveChoices(catalogue.sleeves)]" /><v-text-field
              v-model="values.length"
              label="Length of loose leads" />
        </div>
      </template>
      <template v-else-if="what === 'codes'">
        <div class="three"><v-text-field v-model="number.prefix" label="Prefix" class="mono" /><v-text-field
          v-model="number.from"
          label="First number"
          inputmode="numeric" /><v-text-field v-model="number.step" label="Step" inputmode="numeric" /></div>
        <p class="quiet">In the order that the schedule shows:
          <span class="mono">{{ preview }}{{ rows.length > 3 ? ' …' : '' }}</span>
        </p>
      </template>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="acts"><v-btn
        type="submit"
        color="primary"
        :loading="busy">Change {{ rows.length }} {{ rows.length === 1 ? 'run' : 'runs' }}</v-btn><v-btn
          variant="text"
          @click="open = false">Cancel</v-btn></p>
    </form></v-card>
  </v-dialog>
</template>

<style scoped>
.what {
  border: 0;
  padding: 0;
  display: flex;
  gap: 18px;
  margin: 8px 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.three {
  display: grid;
  grid-template-columns: 2fr 1fr 1fr;
  gap: 10px;
}
.acts {
  margin: 14px 0 0;
}
input[type='radio'] {
  accent-color: var(--verdigris);
}
</style>
