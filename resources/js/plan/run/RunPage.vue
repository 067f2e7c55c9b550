<script setup lang="ts">
import { madeWords } from '../made'
import { computed, nextTick, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, ApiError } from '../../api/client'
import { useSession } from '../../api/session'
import type { RunPage } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import SideDrawn from '../../ui/SideDrawn.vue'
import { KIND, STAGE } from '../../ui/stages'
import Strand from '../../ui/Strand.vue'
import { when } from '../../ui/dates'
import { length } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'
import { lately } from '../../ui/recent'
import ReachTable from '../../ends/reach/ReachTable.vue'
import CircuitTable from './CircuitTable.vue'
import EndPanel from './EndPanel.vue'
import WhyNote from '../why/WhyNote.vue'

const props = defineProps<{ id: string }>()
const session = useSession()
const run = ref<RunPage | null>(null)
const problem = ref('')
const said = ref('')
const view = ref<'face' | 'wiring'>('wiring')
const busy = ref(false)

async function load() {
  try {
    run.value = await api.get(`runs/${props.id}`)
    lately({ kind: 'run', name: run.value.code, about: '', path: `/runs/${props.id}` })
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
const route = useRoute()
onMounted(async () => {
  await load()
  // A label's code names its end.
  if (typeof route.query.end === 'string') {
    await nextTick()
    document.getElementById(`end-${route.query.end}`)?.scrollIntoView({ block: 'start' })
  }
})

/** What can be recorded next: the first bead that is not done, but for the test, which has a place of its own. */
const EVENT: Record<string, { kind: string; side?: string; roles: ('bench' | 'installer' | 'lead')[] }> = {
  cut: { kind: 'cut', roles: ['bench', 'installer', 'lead'] },
  'end-a': { kind: 'joined', side: 'A', roles: ['bench', 'installer', 'lead'] },
  'end-b': { kind: 'joined', side: 'B', roles: ['bench', 'installer', 'lead'] },
  look: { kind: 'inspected', roles: ['bench', 'installer', 'lead'] },
  label: { kind: 'labelled', roles: ['bench', 'installer', 'lead'] },
  pull: { kind: 'pulled', roles: ['installer', 'lead'] },
  'in-place': { kind: 'installed', roles: ['installer', 'lead'] },
  signed: { kind: 'signed-off', roles: ['lead'] },
}
const next = computed(() => (run.value?.withdrawn ? undefined : run.value?.strand.find(bead => bead.state !== 'done')))
const failed = computed(() => run.value?.strand.some(bead => bead.stage === 'test' && bead.state === 'failed') ?? false)

async function record(kind: string, side?: string) {
  busy.value = true
  problem.value = ''
  try {
    await api.post('events', {
      id: crypto.randomUUID(),
      kind,
      run: props.id,
      at: new Date().toISOString(),
      on: run.value?.basis,
      ...(side ? { side } : {}),
    })
    said.value = `Recorded: ${KIND[kind] ?? kind}${side ? `, end ${side}` : ''}.`
    await load()
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="run">
    <header>
      <router-link to="/schedule" class="back">Schedule</router-link>
      <h1 v-if="run"><span class="mono">{{ run.code }}</span> {{ run.from }} → {{ run.to }}</h1>
      <span class="space" />
      <SideDrawn v-model="view" />
      <v-btn v-if="run" variant="outlined" color="primary" :to="`/runs/${id}/assembly`">Assembly</v-btn>
      <v-btn
        v-if="run"
        variant="outlined"
        color="primary"
        :to="`/parts?scope=assembly:${run.assembly.id}&left=1`">Pick list</v-btn>
      <v-btn color="primary" :to="`/test/${id}`">Test</v-btn>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!run && !problem" of="the run" />
    <div v-if="run" class="body">
      <section class="top">
        <div>
          <Strand :beads="run.strand" named />
          <p class="acts">
            <template v-if="next && EVENT[next.stage]">
              <v-btn
                v-if="session.can(...EVENT[next.stage]!.roles)"
                variant="outlined"
                color="primary"
                size="small"
                :loading="busy"
                @click="record(EVENT[next.stage]!.kind, EVENT[next.stage]!.side)">Record:
                {{ STAGE[next.stage] }}</v-btn>
            </template>
            <template v-if="failed && session.can('bench', 'installer', 'lead')">
              <v-btn
                v-for="side in ['A', 'B']"
                :key="side"
                variant="outlined"
                color="secondary"
                size="small"
                :loading="busy"
                @click="record('remade', side)">End {{ side }} made again</v-btn>
            </template>
            <span v-if="said" role="status" class="quiet">{{ said }}</span>
          </p>
          <p v-if="run.note" class="note">{{ run.note }}</p>
          <p
            v-for="finding in run.findings"
            :key="finding.words"
            class="note"
            :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
          <WhyNote kind="run" :of="id" :name="run.code" />
          <p class="quiet">{{ run.cable }} · {{ madeWords(run.build) }}<template
            v-if="run.loom"> · {{ run.loom }}</template>
            <template v-if="run.assembly.runs.length > 1"> · built and tested with
              {{ run.assembly.runs.join(', ') }}</template>
          </p>
          <p class="quiet">
            <template v-if="run.way.length">{{ run.pinned ? 'Pinned to'
              : 'Goes by' }} {{ run.way.join(', ') }}{{ run.pinned ? '' : ': the shortest permitted way' }}</template>
            <template v-else>No way leads from one end to the other. <router-link to="/rules/building">Draw
              one</router-link>
            </template></p>
        </div>
        <details class="cut">
          <summary>{{ run.build === 'found' ? 'Reckoned length' : 'Cut length' }} <b
            class="mono">{{ length(run.cut) }}</b></summary>
          <WorkedSum :worked="run.worked" /></details>
      </section>
      <div class="ends">
        <EndPanel
          v-for="end in run.ends"
          :key="end.side"
          :run="id"
          :version="run.version"
          :end="end"
          :view="view"
          @changed="load" />
      </div>
      <section v-if="run.reach.length"><h2>Reach</h2><ReachTable :circuits="run.reach.slice(0, 6)" /><p
        v-if="run.reach.length > 6"
        class="quiet">and {{ run.reach.length - 6 }} more, on <router-link to="/reach">Reach</router-link></p></section>
      <section class="bottom">
        <div>
          <h2>Circuits</h2>
          <CircuitTable :circuits="run.circuits" @changed="load" />
          <h2>Labels</h2>
          <table class="lines">
            <thead><tr><th>Where</th><th>Prints</th><th>To</th><th>Upside down</th></tr></thead>
            <tbody>
              <tr v-for="(label, i) in run.labels" :key="i">
                <td>end {{ label.side }}{{ label.leg ? ', leg' : '' }}</td>
                <td class="mono"><span :class="{ underlined: label.underlined }">{{ label.prints ?? label.code }}</span>
                  <template v-if="label.word"> {{ label.word }}</template> <span class="quiet">{{ label.end }}</span>
                </td>
                <td>{{ label.to }}</td>
                <td><span v-if="label.readsUpsideDown" class="turn">would read {{ label.readsUpsideDown }}</span></td>
              </tr>
            </tbody>
          </table>
        </div>
        <div>
          <h2>History</h2>
          <p v-if="run.history.length === 0" class="quiet">Nothing has been done yet.</p>
          <ol class="history" aria-label="History">
            <li v-for="event in run.history" :key="event.id" :class="event.verdict">
              <time>{{ when(event.at) }}</time>
              <span><b>{{ KIND[event.kind] ?? event.kind }}<template v-if="event.side"> end {{ event.side }}</template>
                      <template v-if="event.verdict">: {{ event.verdict }}</template>
                    </b> {{ event.who }}<template v-if="event.instrument"> · {{ event.instrument }}</template>
                <template v-if="event.note"> · {{ event.note }}</template>
                <em v-if="event.overtaken"> · overtaken by a change</em>
                <em v-if="event.doubt"> · {{ event.doubt }}</em></span>
            </li>
          </ol>
        </div>
      </section>
    </div>
  </main>
</template>

<style scoped>
.run {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 9px 18px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.body {
  padding: 14px 18px 40px;
}
.top {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 28px;
}
.ends {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
}
.bottom {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
}
.acts {
  align-items: center;
  margin: 8px 0;
}
.cut summary {
  cursor: pointer;
  margin-bottom: 4px;
}
.cut b {
  font-size: 18px;
  margin-left: 6px;
}
.underlined {
  text-decoration: underline 2px;
  text-underline-offset: 3px;
}
.turn {
  color: var(--amber);
}
.history {
  list-style: none;
  margin: 0;
  padding: 0;
}
.history li {
  display: grid;
  grid-template-columns: 110px 1fr;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  font-size: 13px;
}
.history time {
  color: var(--slate);
}
.history .fails b {
  color: var(--flux);
}
.history .passes b {
  color: var(--verdigris);
}
.history em {
  color: var(--amber);
  font-style: normal;
}
@media (max-width: 900px) {
  .top,
  .ends,
  .bottom {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
