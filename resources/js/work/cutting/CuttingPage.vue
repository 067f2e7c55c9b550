<script setup lang="ts">
import { computed, nextTick, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { Assigned, CableCuts, Cut, Cutting, ReelPart } from '../../api/cutting'
import type { Replanned } from '../../api/looms'
import type { Schemas } from '../../api/types'
import { useSession } from '../../api/session'
import ReplannedList from '../../ways/looms/ReplannedList.vue'
import { useAttempt } from '../../ui/attempt'
import BeingMade from '../../ui/BeingMade.vue'
import Swatch from '../../ui/Swatch.vue'
import { when } from '../../ui/dates'
import { inWords, length, system } from '../../ui/units'
import { many } from '../../ui/words'
import RecordCut from './RecordCut.vue'
import ReelBar from './ReelBar.vue'
import ReelForm from './ReelForm.vue'
import { late } from '../../ui/late'

const FirstSteps = late(() => import('../../ui/FirstSteps.vue'))

const session = useSession()
const cutting = ref<Cutting | null>(null)
const { problem, attempt } = useAttempt()
const chosen = ref<{ cut: Cut; assigned: Assigned; cable: CableCuts } | null>(null)
const replanned = ref<{ changes: Replanned; code: string } | null>(null)
const form = ref<{ reel: ReelPart | null; version: number; cable: string } | null>(null)
/** What is to be cut by lengths that nobody has measured. */
const walk = ref<Schemas['WalkShown'] | null>(null)
const load = async () => {
  // Together and once, so that nothing moves once the page is there, and nobody who cuts waits for it again.
  const unmeasured = walk.value ?? api.get('building/walk').catch(() => null)
  const [all, before] = await Promise.all([api.get('cutting'), unmeasured])
  walk.value = before
  cutting.value = all
}
onMounted(() => attempt(load))

const busy = computed(() => cutting.value?.cables.filter(each => each.assigned.length || each.unmet.length) ?? [])
const idle = computed(() => cutting.value?.cables.filter(each => !each.assigned.length && !each.unmet.length) ?? [])
const longest = (cable: CableCuts) => Math.max(...cable.assigned.map(each => Number.parseFloat(each.stock.left)))
const pieces = computed(() => busy.value.reduce((sum, cable) => sum + cable.assigned.length, 0))
const cuts = computed(() =>
  busy.value.reduce((sum, cable) => sum + cable.assigned.reduce((n, each) => n + each.cuts.length, 0), 0),
)
const marks = (of: ReelPart['marks']) =>
  of ? `from ${of.start} ${of.unit}, ${of.rising ? 'rising' : 'falling'}` : 'none'
const edits = computed(() => session.can('planner', 'bench', 'lead'))
const reelOf = (id: string) => cutting.value?.reels.find(each => each.part.id === id)

/** On a phone the form stands above the reels: it comes into view. */
const side = ref<HTMLElement | null>(null)
async function choose(cut: Cut, assigned: Assigned, cable: CableCuts) {
  chosen.value = { cut, assigned, cable }
  await nextTick()
  if (window.matchMedia('(max-width: 900px)').matches) side.value?.scrollIntoView({ behavior: 'smooth' })
}

async function recorded(changes: Replanned | undefined, code: string) {
  chosen.value = null
  await attempt(load)
  replanned.value = changes ? { changes, code } : null
}
async function saved(changes: Replanned | undefined, reel: string) {
  form.value = null
  await attempt(load)
  replanned.value = changes ? { changes, code: reel } : null
}
</script>

<template>
  <main class="cutting">
    <header><h1>Cutting</h1><span
      v-if="cutting"
      class="quiet">{{ many(cuts, 'cut') }} left, off {{ many(pieces, 'reel or offcut', 'reels and offcuts') }}</span>
      <span class="space" />
      <v-btn
        v-if="edits"
        size="small"
        variant="outlined"
        color="primary"
        @click="form = { reel: null, version: 0, cable: '' }">Add a reel</v-btn>
      <v-btn
        size="small"
        color="primary"
        :href="$file(`cutting/cut-list.pdf?units=${system}`)"
        target="_blank">Print the cut list</v-btn></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!cutting && !problem" of="the cuts" />
    <div v-if="cutting" class="split">
      <div class="left">
        <section
          v-if="replanned"
          class="note good"
          role="status"><strong>{{ replanned.code }} is recorded. The rest was planned again.</strong>
          <ReplannedList :changes="replanned.changes" /></section>
        <p v-if="walk?.waiting" class="note check">{{ many(walk.waiting, 'cable') }} to cut
          {{ walk.waiting === 1 ? 'lies' : 'lie' }} in ways that nobody has measured.
          <router-link to="/rules/building/walk">Measure first</router-link></p>
        <FirstSteps
          v-if="cutting.cables.length === 0"
          why="There is nothing to cut yet: cables that are planned are laid out on reels." />
        <p v-else-if="busy.length === 0" class="quiet">Nothing is left to be cut.</p>
        <section v-for="cable in busy" :key="cable.id" class="cable">
          <h2><Swatch :colour="cable.sheath" /> {{ cable.name }}
            <span class="sum">{{ length(cable.needed) }} to cut · {{ length(cable.onShelf) }} on the
              shelf<template v-if="cable.bought"> · <b>{{ cable.bought }} to buy</b> (no plan could do with fewer than
                {{ cable.atLeast }})</template> · {{ length(cable.scrap) }} scrap</span>
          </h2>
          <p
            v-for="finding in cable.findings"
            :key="finding.words"
            class="note"
            :class="finding.severity">{{ inWords(finding.words) }} {{ inWords(finding.remedy) }}</p>
          <ReelBar
            v-for="assigned in cable.assigned"
            :key="assigned.stock.id"
            :assigned="assigned"
            :sheath="cable.sheath"
            :longest="longest(cable)"
            :chosen="chosen?.cut.run ?? ''"
            @choose="cut => choose(cut, assigned, cable)" />
          <p v-if="cable.unmet.length" class="note stop"><strong>Not cut</strong><span
            v-for="each in cable.unmet"
            :key="each.code"
            class="mono">{{ each.code }} {{ length(each.length) }} </span></p>
          <p v-if="cable.untouched.length" class="quiet small">Not needed: <template
            v-for="stock in cable.untouched"
            :key="stock.id">{{ stock.name }} ({{ length(stock.left) }}) </template></p>
        </section>
        <h2>On the shelf</h2>
        <p v-if="cutting.reels.length === 0" class="quiet">No reel is entered: everything is planned off new ones.</p>
        <table v-else class="lines">
          <thead><tr><th>Reel</th><th>Cable</th><th class="right">When it came</th><th>Jacket marks</th><th></th></tr>
          </thead>
          <tbody><tr
            v-for="reel in cutting.reels"
            :key="reel.part.id"><td class="mono">{{ reel.part.id }}</td>
            <td>{{ cutting.cables.find(each => each.id === reel.part.cable)?.name ?? reel.part.cable }}<span
              v-if="reel.part.offcut"
              class="quiet"> · offcut</span></td><td class="mono right">{{ length(reel.part.length) }}</td>
            <td class="quiet">{{ marks(reel.part.marks) }}</td>
            <td class="right"><v-btn
              v-if="edits"
              size="x-small"
              variant="text"
              color="primary"
              @click="form = { reel: reel.part, version: reelOf(reel.part.id)!.version, cable: '' }">Edit</v-btn></td>
          </tr></tbody>
        </table>
        <p v-if="idle.length" class="quiet small">All cut: {{ idle.map(each => each.name).join(', ') }}.</p>
        <template v-if="cutting.recorded.length">
          <h2>Cut lately</h2>
          <table class="lines"><tbody><tr
            v-for="(each, i) in cutting.recorded"
            :key="i"><td class="mono">{{ each.code }}</td>
            <td class="mono right">{{ each.length === null ? '' : length(each.length) }}</td><td><b
              v-if="each.short"
              class="short">too short</b></td><td class="mono">{{ each.reel }}</td>
            <td class="mono quiet">{{ each.from !== null ? `${each.from} to ${each.to ?? '?'}` : '' }}</td>
            <td>{{ each.who }}</td><td class="quiet">{{ when(each.at) }}</td><td>{{ each.note }}</td></tr></tbody>
          </table>
        </template>
      </div>
      <aside ref="side" aria-label="Cut" :class="{ idle: !chosen }">
        <RecordCut
          v-if="chosen"
          :key="chosen.cut.run"
          :cut="chosen.cut"
          :assigned="chosen.assigned"
          :cable="chosen.cable"
          :records="session.can('bench', 'installer', 'lead')"
          @recorded="recorded" />
        <p
          v-else
          class="quiet">Press a cut to see its sum and marks{{ session.can('bench', 'installer', 'lead')
            ? ', and to record it as it was made'
            : '' }}. As few reels are bought as can be, then as little is wasted; offcuts go before reels. A rest of
          {{ length(cutting.usable) }} or more goes back on the shelf{{ Number.parseFloat(cutting.margin) > 0
            ? `; ${length(cutting.margin)} stays on every reel` : '' }}.</p>
      </aside>
    </div>
    <v-dialog :model-value="form !== null" max-width="460" @update:model-value="form = null"><ReelForm
      v-if="form"
      :reel="form.reel"
      :version="form.version"
      :cable="form.cable"
      @saved="saved"
      @close="form = null" /></v-dialog>
  </main>
</template>

<style scoped>
.cutting {
  height: 100%;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
header {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 10px 18px;
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.split {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
}
.left {
  overflow: auto;
  padding: 4px 18px 40px;
}
aside {
  overflow: auto;
  border-left: 1px solid var(--line);
  background: var(--surface);
  padding: 14px 16px 40px;
}
.cable h2 {
  display: flex;
  gap: 8px;
  align-items: baseline;
  color: var(--ink);
  font-size: 14px;
  flex-wrap: wrap;
}
.sum {
  font-weight: 400;
  color: var(--slate);
  font-size: 12.5px;
}
.small {
  font-size: 12px;
}
.right {
  text-align: right;
  white-space: nowrap;
}
.short {
  color: var(--flux);
}
@media (max-width: 900px) {
  .cutting {
    display: block;
    height: 100%;
    overflow: auto;
  }
  .split {
    display: flex;
    flex-direction: column;
  }
  .left,
  aside {
    overflow: visible;
    flex: none;
  }
  aside {
    order: -1;
    border-left: 0;
    padding-bottom: 12px;
  }
  aside.idle {
    padding: 0 16px;
  }
}
</style>
