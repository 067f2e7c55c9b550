<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Answer } from '../../api/answers'
import { api, ApiError, saying } from '../../api/client'
import { useSession } from '../../api/session'
import type { Catalogue } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import TakesSum from '../TakesSum.vue'
import { useLatest } from '../../ui/latest'
import { slug } from '../../ui/slug'
import { length } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'

/** An assembly, or several alike, from a pattern: it asks what matters, and shows what that comes to. */
type Patterns = Answer<'patterns', 'get'>
type Line = Patterns['patterns'][number]
type Ask = Patterns['asks'][string][number]
type Sums = Answer<'patterns/try', 'post'>

const router = useRouter()
const session = useSession()
const all = ref<Patterns | null>(null)
const catalogue = ref<Catalogue | null>(null)
const chosen = ref<Line | null>(null)
const answers = ref<Record<string, string | null>>({})
const sums = ref<Sums | null>(null)
const errors = ref<Record<string, string[]>>({})
const keeping = ref('')
const { problem, said, busy, attempt } = useAttempt()
onMounted(() =>
  attempt(async () => {
    ;[all.value, catalogue.value] = await Promise.all([api.get('patterns'), api.get('catalogue')])
  }),
)
const form = useTemplateRef('form')
const asks = computed<Ask[]>(() => (chosen.value ? (all.value?.asks[chosen.value.kind] ?? []) : []))

function choose(pattern: Line) {
  chosen.value = pattern
  answers.value = Object.fromEntries(
    (all.value?.asks[pattern.kind] ?? []).map(ask => [ask.key, pattern.answers[ask.key] ?? ask.usual]),
  )
  sums.value = null
  errors.value = {}
  said.value = ''
  // On a phone the form stands below the whole list.
  if (window.matchMedia('(max-width: 1000px)').matches) void nextTick(() => form.value?.scrollIntoView())
}
/** What is empty is no answer. */
const sent = () => ({
  kind: chosen.value?.kind,
  answers: Object.fromEntries(Object.entries(answers.value).filter(([, value]) => value)),
})
/** What is wrong with something that is not asked here. */
const others = computed(() =>
  Object.entries(errors.value)
    .filter(([field]) => !asks.value.some(ask => ask.key === field))
    .flatMap(([, words]) => words),
)
const missing = computed(() => asks.value.filter(ask => ask.needed && !answers.value[ask.key]))

const { latest, forget } = useLatest()
const lookSoon = useDebounceFn(async () => {
  forget()
  errors.value = {}
  if (!chosen.value || missing.value.length) {
    sums.value = null
    return
  }
  try {
    await latest(api.post('patterns/try', sent()), answer => {
      sums.value = answer
    })
  } catch (error) {
    sums.value = null
    if (error instanceof ApiError && error.status === 422) errors.value = error.fields
    else problem.value = saying(error)
  }
}, 350)
watch([answers, chosen], () => void lookSoon(), { deep: true })

const make = () =>
  attempt(async () => {
    try {
      const { runs } = await api.post('patterns', sent())
      await router.push(runs.length === 1 ? `/runs/${runs[0]}` : `/runs/${runs[0]}/assembly`)
    } catch (error) {
      if (error instanceof ApiError && error.status === 422) errors.value = error.fields
      throw error
    }
  })
/** With what is answered now, but for what is another each time. */
const ONCE = ['code', 'place', 'placeA', 'placeB', 'far', 'places']
const keep = () =>
  attempt(async () => {
    const usual = Object.fromEntries(
      Object.entries(answers.value).filter(([key, value]) => value && !ONCE.includes(key)),
    )
    await api.put('shared/pattern', {
      part: {
        id: slug(keeping.value),
        name: keeping.value,
        words: chosen.value?.words,
        kind: chosen.value?.kind,
        answers: usual,
      },
    })
    all.value = await api.get('patterns')
    keeping.value = ''
  }, 'It is kept among the patterns of this installation.')
const remove = (pattern: Line) =>
  attempt(async () => {
    await api.delete(`shared/pattern/${pattern.id}`, { version: pattern.version })
    all.value = await api.get('patterns')
    if (chosen.value?.id === pattern.id) chosen.value = null
  }, `${pattern.name} is no longer kept.`)

const items = (ask: Ask): { id: string; name: string }[] => {
  const of = catalogue.value
  switch (ask.kind) {
    case 'place':
    case 'places':
      return of?.locations ?? []
    case 'cable':
      return of?.cables ?? []
    case 'signal':
      return of?.signals ?? []
    case 'plan':
      return (of?.plans ?? []).map(each => ({ id: each.id, name: `${each.connector} · ${each.name}` }))
    default:
      return ask.choices
  }
}
const isList = (ask: Ask) => ['place', 'cable', 'signal', 'plan', 'choice'].includes(ask.kind)
const many = (key: string) => (answers.value[key] ?? '').split('|').filter(Boolean)
</script>

<template>
  <main class="patterns">
    <header><router-link to="/schedule" class="back">Schedule</router-link><h1>From a pattern</h1></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!all && !problem" of="the patterns" />
    <div v-if="all" class="body">
      <nav class="list" aria-label="Patterns">
        <button
          v-for="pattern in all.patterns"
          :key="pattern.id"
          type="button"
          :aria-pressed="chosen?.id === pattern.id"
          @click="choose(pattern)"><b>{{ pattern.name }}</b><span>{{ pattern.words }}</span>
          <em v-if="pattern.own">this installation’s own</em></button>
      </nav>
      <form v-if="chosen" ref="form" class="asks" @submit.prevent="make">
        <h2>{{ chosen.name }}</h2>
        <template v-for="ask in asks" :key="ask.key">
          <v-autocomplete
            v-if="isList(ask)"
            v-model="answers[ask.key]"
            :label="ask.label"
            :items="items(ask)"
            item-title="name"
            item-value="id"
            :clearable="!ask.needed"
            :error-messages="errors[ask.key]" />
          <v-autocomplete
            v-else-if="ask.kind === 'places'"
            :model-value="many(ask.key)"
            :label="ask.label"
            :items="items(ask)"
            item-title="name"
            item-value="id"
            multiple
            chips
            closable-chips
            :error-messages="errors[ask.key]"
            @update:model-value="answers[ask.key] = ($event as string[]).join('|')" />
          <v-text-field
            v-else
            v-model="answers[ask.key]"
            :label="ask.label"
            :hint="ask.hint"
            :inputmode="ask.kind === 'count' ? 'numeric' : undefined"
            :error-messages="errors[ask.key]" />
        </template>
        <p class="acts"><v-btn
          type="submit"
          color="primary"
          :disabled="missing.length > 0"
          :loading="busy">Make it</v-btn><span v-if="missing.length" class="quiet">still to say: {{
            missing.map(ask => ask.label.toLowerCase()).join(', ') }}</span></p>
        <p v-for="words in others" :key="words" class="note failed" role="alert">{{ words }}</p>
        <p v-if="said" role="status" class="note good">{{ said }}</p>
        <details v-if="session.plans"><summary>Keep these answers as a pattern of our own</summary>
          <p class="keep"><v-text-field v-model="keeping" label="Name" hide-details density="compact" /><v-btn
            variant="outlined"
            color="primary"
            :disabled="!slug(keeping) || busy"
            @click="keep">Keep</v-btn>
            <v-btn v-if="chosen.own" variant="text" :disabled="busy" @click="remove(chosen)">Remove {{ chosen.name }}
            </v-btn></p></details>
      </form>
      <p
        v-else
        class="quiet start">Choose what you want to build. It becomes ordinary runs and connectors, which you can
        change after.</p>
      <aside v-if="chosen" aria-label="What it comes to" aria-live="polite">
        <h2>What it comes to</h2>
        <p v-if="!sums" class="quiet">Shown once everything needed is said.</p>
        <template v-else>
          <table class="lines"><tbody>
            <tr v-for="run in sums.runs.slice(0, 12)" :key="run.code"><td class="mono">{{ run.code }}</td>
              <td>{{ run.cable }}<br><span class="quiet">{{ run.from === run.to ? run.from
                : `${run.from} → ${run.to}` }}</span></td>
              <td class="right"><details><summary class="mono">{{ length(run.cut.result) }}</summary>
                <WorkedSum :worked="run.cut" /></details></td></tr>
          </tbody></table>
          <p v-if="sums.runs.length > 12" class="quiet">and {{ sums.runs.length - 12 }} more</p>
          <p><template v-for="(each, i) in sums.connectors" :key="each.name">{{ i ? ', ' : '' }}{{ each.count }} ×
            {{ each.name }}</template><template v-if="sums.jumpers">, {{ sums.jumpers }} jumpers</template><template
            v-if="sums.switches">, {{ sums.switches }} switches</template></p>
          <TakesSum :takes="sums" />
          <p
            v-for="finding in sums.findings"
            :key="finding.words"
            class="note"
            :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
        </template>
      </aside>
    </div>
  </main>
</template>

<style scoped>
.patterns {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 12px 18px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
}
.body {
  display: grid;
  grid-template-columns: 250px minmax(300px, 440px) minmax(280px, 1fr);
  gap: 24px;
  padding: 14px 18px 40px;
  align-items: start;
}
.list {
  display: grid;
  gap: 3px;
}
.list button {
  all: unset;
  display: grid;
  padding: 8px 12px;
  border-left: 3px solid var(--line);
  cursor: pointer;
  font-size: 13px;
}
.list button span,
.list button em {
  color: var(--slate);
}
.list button[aria-pressed='true'] {
  border-color: var(--copper);
  background: var(--surface);
}
.list button:focus-visible {
  outline: 2px solid var(--copper);
}
.asks {
  display: grid;
  gap: 10px;
  scroll-margin-top: 64px;
}
.asks h2,
aside h2 {
  margin: 0;
}
.acts {
  position: sticky;
  bottom: 0;
  background: var(--paper);
  padding: 8px 0;
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 0;
  z-index: 1;
}
.keep {
  display: flex;
  gap: 8px;
  align-items: center;
}
aside {
  position: sticky;
  top: 64px;
  font-size: 13px;
}
aside p {
  margin: 6px 0;
}
aside .mono {
  white-space: nowrap;
}
.right {
  text-align: right;
}
summary {
  cursor: pointer;
}
@media (max-width: 1000px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    position: static;
  }
}
</style>
