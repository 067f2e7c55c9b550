<script setup lang="ts">
import type { Answer } from '../../api/answers'
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { Line, RunPage } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { length } from '../../ui/units'
import { useLatest } from '../../ui/latest'
import { sample, sampleLine } from '../../ui/guide'
import LeftTyped from '../../ui/LeftTyped.vue'
import { slug } from '../../ui/slug'
import { useTyped } from '../../ui/typed'
import { many } from '../../ui/words'

/** Runs from lines of words, shown whole before they are saved. */
const emit = defineEmits<{ saved: [RunPage, number]; open: [Line]; close: [] }>()
type Read = Answer<'runs/quick', 'post'>['lines'][number]
const text = ref('')
const read = ref<Read[]>([])
const { problem, busy, attempt } = useAttempt()
const field = ref<{ focus: () => void } | null>(null)
onMounted(() => field.value?.focus())
const kept = useTyped(
  'quick',
  () => ({ text: text.value }),
  typed => (text.value = typed.text),
)
const { left } = kept
kept.begin()

watch(problem, refused => {
  if (refused) read.value = []
})
const { latest, forget } = useLatest()
/** Of what the lines were read: whoever types on and presses Enter at once saves nothing that is not shown. */
const readOf = ref('')
async function ask() {
  forget()
  const asked = text.value
  if (asked.trim() === '') read.value = []
  else
    await latest(api.post('runs/quick', { text: asked }), answer => {
      read.value = answer.lines
      readOf.value = asked
    })
}
const look = () => attempt(ask)
watch(text, useDebounceFn(look, 400))

const lines = computed(() => read.value.flatMap(each => each.lines))
const refused = computed(() => read.value.filter(each => each.refused).length)
/** One line of words says all of itself; of several each says what it becomes. */
const only = computed(() => (read.value.length === 1 && !read.value[0]!.refused ? read.value[0]! : null))
const codes = (of: Line[]) => {
  const [first, last] = [of[0]?.code ?? '', of[of.length - 1]?.code ?? '']
  return of.length > 1 ? `${many(of.length, 'run')}, ${first} to ${last}` : first
}
let isSaving = false
async function save() {
  if (isSaving) return
  isSaving = true
  await attempt(add)
  isSaving = false
}
async function add() {
  if (lines.value.length === 0 || readOf.value !== text.value) return ask()
  if (refused.value) return
  const runs = lines.value.map(line => ({ line }))
  const saved = runs.length === 1 ? await api.post('runs', runs[0]!) : await api.post('runs/lines', { runs })
  kept.saved()
  emit('saved', saved, runs.length)
}
/** A place that was named and does not exist is made, and the lines are read again. */
const place = (name: string) => name.trim().replace(/^./u, first => first.toUpperCase())
const make = (name: string) =>
  attempt(async () => {
    await api.put('shared/location', { part: { id: slug(name), name: place(name) } })
    await ask()
  })
const took = (of: Read, what: string) => of.understood.find(each => each.what === what)?.took ?? ''
</script>

<template>
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -- presses inside it bubble up -->
  <form class="quick" aria-label="Quick line" @submit.prevent="save" @keydown.esc.stop="emit('close')">
    <div class="say">
      <v-textarea
        ref="field"
        v-model="text"
        aria-label="How many, which signal, from > to, via; a line for each"
        v-bind="sample(sampleLine, '24 mic stage box 1 > amp rack via under-stage tray')"
        class="mono"
        rows="1"
        max-rows="8"
        auto-grow
        hide-details
        @keydown.enter.exact.prevent="save" />
      <v-btn
        type="submit"
        color="primary"
        :loading="busy"
        :disabled="!text.trim() || refused > 0">{{ lines.length && !refused ? `Add ${codes(lines)}` : 'Read' }}</v-btn>
      <v-btn
        v-if="only && lines.length === 1"
        variant="outlined"
        color="primary"
        @click="emit('open', lines[0]!)">Open in the form</v-btn>
      <v-btn variant="text" @click="emit('close')">Close</v-btn>
    </div>
    <LeftTyped :left="left" :what="left?.typed.text" @take="kept.take" @drop="kept.drop" />
    <p v-if="problem" class="note check" role="status">{{ problem }}</p>
    <div v-if="only" class="guess" aria-live="polite">
      <dl><template
            v-for="each in only.understood"
            :key="each.what"><div><dt>{{ each.what }}</dt><dd :class="{ filled: !each.said }">{{ each.took }}<small
              v-if="each.because"
              class="quiet">{{ each.because }}<template v-if="each.instead">; else {{ each.instead
              }}</template></small></dd></div>
          </template>
        <div v-if="only.cut"><dt>{{ lines.length > 1 ? 'each becomes' : 'becomes' }}</dt><dd>
          <b class="mono">{{ length(only.cut.result) }}</b>, {{ many(only.circuits, 'circuit') }},
          {{ many(only.fittings, 'fitting') }}</dd>
        </div></dl>
      <p class="quiet">What is in italics was filled in; below it stands from what. Nothing is saved yet.</p>
      <p
        v-for="finding in only.findings"
        :key="finding.words"
        class="note"
        :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
    </div>
    <ol v-else-if="read.length" class="lines" :class="{ one: read.length === 1 }" aria-live="polite">
      <li v-for="(each, i) in read" :key="i" :class="{ refused: each.refused }">
        <span v-if="read.length > 1" class="mono">{{ each.text }}</span>
        <span v-if="each.refused" role="status">{{ each.refused.remedy }}
          <v-btn
            v-if="each.refused.isNoPlace"
            size="small"
            variant="outlined"
            color="primary"
            @click="make(each.refused.value)">Make {{ place(each.refused.value) }}</v-btn>
        </span>
        <span v-else><b>{{ codes(each.lines) }}</b> on {{ took(each, 'cable') }}<small v-if="each.findings.length">
          {{ many(each.findings.length, 'remark') }}, told once it is saved</small></span>
      </li>
    </ol>
    <p v-if="refused && read.length > 1" class="quiet">All of them are added together, once each is understood.</p>
  </form>
</template>

<style scoped>
.quick {
  grid-column: 1 / -1;
  padding: 10px 16px;
  border-bottom: 1px solid var(--ink);
  background: var(--surface);
}
.say {
  display: flex;
  gap: 8px;
  align-items: center;
}
ol.lines {
  margin: 10px 0 0;
  padding-left: 22px;
  max-height: 40vh;
  overflow: auto;
  font-size: 14px;
}
ol.one {
  padding-left: 0;
  list-style: none;
}
ol.lines li > span {
  display: block;
}
ol.lines small {
  color: var(--slate);
}
li.refused {
  color: var(--flux);
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 26px;
  margin: 10px 0 4px;
}
dt {
  font-size: 12px;
  color: var(--slate);
}
dd {
  margin: 0;
  font-size: 14px;
}
dd.filled {
  font-style: italic;
}
dd small {
  display: block;
  max-width: 260px;
  font-size: 12px;
  font-style: normal;
}
p {
  margin: 6px 0 0;
  font-size: 13px;
}
</style>
