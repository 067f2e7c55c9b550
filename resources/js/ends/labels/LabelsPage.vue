<script setup lang="ts">
import { useIntersectionObserver, useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../api/client'
import type { Geometry, LabelLine, LabelsAnswer } from '../../api/labels'
import { useSession } from '../../api/session'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import { useLatest } from '../../ui/latest'
import { when } from '../../ui/dates'
import { late } from '../../ui/late'
import RollPanel from './RollPanel.vue'
import SchemeForm from './SchemeForm.vue'
import SheetForm from './SheetForm.vue'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

const session = useSession()
const data = ref<LabelsAnswer | null>(null)
const labels = ref<LabelLine[]>([])
const { problem, said, busy, attempt } = useAttempt()
const { latest } = useLatest()
const texts = useTemplateRef<HTMLElement>('texts')

const part = ref('')
const loom = ref(String(useRoute().query.loom ?? ''))
const only = ref<'left' | 'changed' | 'all'>('left')
const panel = ref<'sheet' | 'roll' | 'scheme'>('sheet')
const page = ref(1)
let was = { loom: loom.value, only: 'left' }
const sheet = useLocalStorage('sartal.labels.sheet', {
  geometry: '',
  own: null as Geometry | null,
  start: 0,
  right: 0,
  down: 0,
})

const asked = (from: number) =>
  new URLSearchParams({
    // Before anything is known of them: the kind that most is left of.
    ...(data.value ? { part: part.value } : { usual: '1' }),
    loom: loom.value,
    only: only.value,
    from: String(from),
  }).toString()
const load = () =>
  attempt(() =>
    latest(api.get(`labels/shown?${asked(0)}`), found => {
      data.value = found
      part.value = found.part
      labels.value = found.labels
      texts.value?.scrollTo(0, 0)
    }),
  )
const more = () =>
  attempt(() =>
    latest(api.get(`labels/shown?${asked(labels.value.length)}`), found => {
      labels.value = [...labels.value, ...found.labels]
    }),
  )
onMounted(load)
useIntersectionObserver(
  useTemplateRef<HTMLElement>('last'),
  ([entry]) => {
    if (entry?.isIntersecting && !busy.value) void more()
  },
  { rootMargin: '600px' },
)

const kinds = computed<[string, string][]>(() => (data.value?.kinds ?? []).map(each => [each.id, each.name]))
const counts = computed(() => data.value?.counts ?? { left: 0, changed: 0, all: 0 })
/** What is printed: all that are chosen, in sight or not. */
const ids = computed(() => data.value?.ids ?? [])
const geometries = computed(() => data.value?.geometries ?? [])
/** The first sheet whose fields are of the size of these labels. */
const fitting = computed(() =>
  geometries.value.find(
    each => labels.value[0] && each.width === labels.value[0].width && each.height === labels.value[0].height,
  ),
)
const chosen = computed(() =>
  sheet.value.geometry === 'own'
    ? sheet.value.own
    : (geometries.value.find(each => each.id === sheet.value.geometry) ?? fitting.value ?? geometries.value[0] ?? null),
)
const sheets = computed(() =>
  chosen.value
    ? Math.max(1, Math.ceil((ids.value.length + sheet.value.start) / (chosen.value.columns * chosen.value.rows)))
    : 1,
)
const mixed = computed(() => !part.value && (data.value?.kinds ?? []).filter(each => each.shown > 0).length > 1)
const misfit = computed(
  () =>
    labels.value.length > 0 &&
    chosen.value &&
    !mixed.value &&
    (Number.parseFloat(chosen.value.width) < Number.parseFloat(labels.value[0]!.width) - 0.5 ||
      Number.parseFloat(chosen.value.height) < Number.parseFloat(labels.value[0]!.height) - 0.5),
)
const query = computed(() => {
  const own = chosen.value?.id === 'own' ? { ...chosen.value, id: undefined, name: undefined } : null
  return new URLSearchParams({
    part: part.value,
    loom: loom.value,
    only: only.value,
    start: String(sheet.value.start),
    right: String(sheet.value.right),
    down: String(sheet.value.down),
    ...(own ? { sheet: JSON.stringify(own) } : { geometry: chosen.value?.id ?? '' }),
  }).toString()
})
watch([part, loom, only, chosen], () => {
  page.value = 1
})
watch([part, loom, only], ([kind]) => {
  // The answer itself has said which kind.
  if (kind !== data.value?.part || loom.value !== was.loom || only.value !== was.only) void load()
  was = { loom: loom.value, only: only.value }
})
const mayPrint = computed(() => session.can('planner', 'bench', 'installer', 'lead'))
/** Labels that are marked in one go. */
const AT_ONCE = 20_000
const printed = (of: string[]) =>
  attempt(async () => {
    for (let i = 0; i < of.length; i += AT_ONCE) await api.post('labels/printed', { ids: of.slice(i, i + AT_ONCE) })
    await load()
  }, `${of.length} labels are marked as printed.`)
const PANELS = [
  ['sheet', 'On sheets'],
  ['roll', 'Off the roll'],
  ['scheme', 'What they say'],
] as const
const STATE = { new: 'to print', printed: 'printed', changed: 'says something else now' }
</script>

<template>
  <main class="labels">
    <header>
      <h1>Labels</h1>
      <select v-model="part" aria-label="Kind of label"><option value="">every kind</option><option
        v-for="each in data?.kinds"
        :key="each.id"
        :value="each.id">{{ each.name }} ({{ each.left }})</option></select>
      <select v-model="loom" aria-label="Loom"><option value="">every loom</option><option
        v-for="each in data?.looms"
        :key="each.id"
        :value="each.id">{{ each.name }}</option></select>
      <select
        v-model="only"
        aria-label="Which"><option value="left">to print ({{ counts.left }})</option>
        <option value="changed">changed since ({{ counts.changed }})</option>
        <option value="all">all ({{ counts.all }})</option></select>
      <span class="space" />
      <a :href="$file(`labels.csv?${query}`)">CSV</a>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!data && !problem" of="the labels" />
    <div v-if="data" class="body">
      <section ref="texts" class="texts" aria-label="Labels">
        <p
          v-for="finding in data.findings"
          :key="finding.words"
          class="note"
          :class="finding.severity"><strong>{{ finding.words }}</strong>{{ finding.remedy }}</p>
        <FirstSteps
          v-if="counts.all === 0"
          why="There is nothing to mark yet: cables that are planned have labels at both ends." />
        <p
          v-else-if="ids.length === 0"
          class="quiet pad">{{ only === 'changed' ? 'Nothing that was printed says something else now.'
            : 'Nothing of this is left to print.' }}</p>
        <table v-else class="lines">
          <thead><tr><th>Text</th><th>Second line</th><th>Block</th><th>Where</th><th>State</th></tr></thead>
          <tbody>
            <tr v-for="each in labels" :key="each.id">
              <td><router-link
                v-if="each.path"
                :to="`/${each.path}`"
                class="mono code"
                :class="{ underlined: each.underlined }">{{ each.code }}</router-link><b
                  v-else
                  class="mono code"
                  :class="{ underlined: each.underlined }">{{ each.code }}</b> <span
                    v-if="each.turned"
                    class="turned"
                    :title="`Upside down it reads ${each.turned}`">↻ {{ each.turned }}<template v-if="each.word">, so
                      also “{{ each.word }}”</template>
                  </span></td>
              <td>{{ each.line }}</td><td>{{ each.colour }}</td><td class="quiet">{{ each.place }}</td>
              <td :class="each.state">{{ each.why ? 'marked otherwise now' : STATE[each.state] }}<small
                v-if="each.why"
                class="quiet"> {{ each.why }}</small><small
                  v-if="each.at"
                  class="quiet"> {{ when(each.at) }}</small></td>
            </tr>
          </tbody>
        </table>
        <p v-if="labels.length < ids.length" ref="last" class="quiet pad" role="status">{{ labels.length }} of
          {{ ids.length }} labels; the next ones are coming. All of them are printed.</p>
      </section>
      <aside>
        <nav class="tabs" aria-label="How"><a
          v-for="[key, name] in PANELS"
          :key="key"
          href="#"
          :aria-current="panel === key ? 'page' : undefined"
          @click.prevent="panel = key">{{ name }}</a></nav>
        <template v-if="panel === 'sheet'">
          <SheetForm v-model="sheet" :geometries="geometries" :chosen="chosen" />
          <p
            v-if="misfit"
            class="note check">These labels are larger than the fields of this sheet. Choose another sheet.</p>
          <p v-if="mixed" class="note">Several kinds at once: choose one kind, a sheet holds one size.</p>
          <template v-if="ids.length && chosen && !mixed">
            <img
              class="paper"
              :src="$file(`labels.svg?${query}&page=${page}`)"
              :alt="`Sheet ${page} of ${sheets} as it will print`">
            <p class="pages"><button
              type="button"
              :disabled="page === 1"
              @click="page--">before</button> sheet {{ page }} of {{ sheets }} <button
                type="button"
                :disabled="page >= sheets"
                @click="page++">next</button></p>
            <p class="acts"><a
              class="button"
              :href="$file(`labels.pdf?${query}`)"
              target="_blank">Print {{ ids.length }} on {{ sheets }} {{ sheets === 1 ? 'sheet' : 'sheets' }}</a><v-btn
                v-if="mayPrint"
                variant="outlined"
                :loading="busy"
                @click="printed(ids)">They came out right</v-btn></p>
          </template>
          <p class="acts"><a
            :href="$file(`labels/test-page.pdf?${query}`)"
            target="_blank">Test page for the offset</a></p>
        </template>
        <RollPanel
          v-else-if="panel === 'roll'"
          :state="data.printer"
          :ids="ids"
          :part="labels[0]?.part ?? ''"
          :kinds="kinds"
          :may="mayPrint"
          @changed="load" />
        <SchemeForm
          v-else
          :scheme="data.scheme"
          :tokens="data.tokens"
          :version="data.version"
          :may="session.plans"
          @saved="load" />
        <p v-if="said" class="note good" role="status">{{ said }}</p>
      </aside>
    </div>
  </main>
</template>

<style scoped>
.labels {
  height: 100%;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
header {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  max-width: 260px;
}
.body {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
}
.texts {
  overflow: auto;
  padding: 0 16px 20px;
}
aside {
  border-left: 1px solid var(--line);
  overflow: auto;
  padding: 12px 16px 20px;
}
.code {
  font-size: 15px;
  font-weight: 650;
  color: var(--ink) !important;
  text-decoration: none;
}
.code.underlined {
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
}
.turned {
  color: var(--amber);
  font-size: 12.5px;
}
td.changed {
  color: var(--amber);
  font-weight: 600;
}
td.printed {
  color: var(--verdigris);
}
.paper {
  /* Until it has come, as much as a sheet takes. */
  aspect-ratio: auto 210 / 297;
  width: 100%;
  background: #fff;
  border: 1px solid var(--line);
  margin-top: 10px;
}
.pages,
.acts {
  display: flex;
  gap: 14px;
  align-items: center;
  margin: 8px 0;
}
.pages button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
}
.pages button[disabled] {
  opacity: 0.4;
  cursor: default;
}
.button {
  background: var(--verdigris);
  color: var(--on-action) !important;
  text-decoration: none;
  padding: 8px 14px;
  border-radius: 4px;
  font-weight: 600;
}
.pad {
  padding: 16px 0;
}
@media (max-width: 900px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
  aside {
    border: 0;
    order: -1;
    overflow: visible;
  }
  .texts {
    overflow: visible;
  }
}
</style>
