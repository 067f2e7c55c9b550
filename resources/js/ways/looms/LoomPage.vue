<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError } from '../../api/client'
import type { Branch, Loom, LoomAhead, LoomPart } from '../../api/looms'
import { useSession } from '../../api/session'
import ReroutedList from '../../given/building/ReroutedList.vue'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import Swatch from '../../ui/Swatch.vue'
import UndoButton from '../../ui/UndoButton.vue'
import { inFigures, inWords, length, system } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'
import LoomDrawing from './LoomDrawing.vue'
import LoomForm from './LoomForm.vue'
import ReplannedList from './ReplannedList.vue'
import SegmentPanel from './SegmentPanel.vue'
import WhyNote from '../../plan/why/WhyNote.vue'

const props = defineProps<{ id: string }>()
const session = useSession()
const router = useRouter()
const loom = ref<Loom | null>(null)
const ahead = ref<LoomAhead | null>(null)
const { problem, said, busy, attempt } = useAttempt()
const chosen = ref('')
const editing = ref(false)
const theirs = ref(false)

const shown = computed(() => ahead.value?.loom ?? loom.value)
const segment = computed(() => shown.value?.segments.find(each => each.id === chosen.value) ?? shown.value?.segments[0])
const places = computed(() => {
  const found = new Map<string, string>()
  for (const branch of loom.value?.branches ?? []) found.set(branch.at, branch.atName)
  if (loom.value) found.set(loom.value.root, loom.value.rootName)
  return [...found].map(([id, name]) => ({ id, name }))
})
const load = async () => {
  loom.value = await api.get(`looms/${props.id}`)
  ahead.value = null
}
onMounted(() => attempt(load))

const movedPart = (branch: Branch, by: number): LoomPart => {
  const part = (ahead.value?.loom ?? loom.value!).part
  const others = (part.breakouts ?? []).filter(each => each.at !== branch.at || (each.into ?? '') !== branch.into)
  return {
    ...part,
    breakouts:
      by === 0 ? others : [...others, { at: branch.at, ...(branch.into ? { into: branch.into } : {}), by: `${by} mm` }],
  }
}
const move = (branch: Branch, by: number) =>
  attempt(async () => {
    ahead.value = await api.post(`looms/${props.id}/preview`, { part: movedPart(branch, by) })
  })
const keep = () =>
  attempt(async () => {
    try {
      await api.put('shared/loom', { part: ahead.value!.loom.part, version: loom.value!.version })
    } catch (error) {
      if (error instanceof ApiError && error.status === 409) theirs.value = true
      throw error
    }
    await load()
  }, 'Saved: the breakout stays where you put it.')
async function undo(work: () => Promise<string>) {
  let words = ''
  await attempt(async () => {
    words = await work()
    await load()
  })
  if (words) said.value = words
}
async function saved() {
  editing.value = false
  await attempt(load, 'Saved.')
}
const remove = () =>
  attempt(async () => {
    await api.delete(`shared/loom/${props.id}`, { version: loom.value!.version })
    await router.push('/looms')
  })
</script>

<template>
  <main class="page">
    <header>
      <router-link to="/looms">Looms</router-link>
      <h1 v-if="shown">{{ shown.part.name }}</h1>
      <span
        v-if="shown"
        class="quiet">from {{ shown.rootName || 'nowhere' }} · {{ shown.members.length }} {{ shown.members.length === 1
          ? 'cable' : 'cables' }} · {{ shown.part.covering === 'sleeve' ? 'sleeved' : 'tied' }}{{ shown.part.oneReel
          ? ' · like cables off one reel' : '' }}</span>
      <span class="space" />
      <span v-if="said" role="status" class="quiet">{{ said }}</span><UndoButton :said="said" @press="undo" />
      <v-progress-circular v-if="busy" indeterminate size="18" width="2" color="primary" aria-label="Working it out" />
      <v-btn
        variant="outlined"
        size="small"
        color="primary"
        :href="$file(`looms/${id}/formboard.pdf?units=${system}`)"
        target="_blank">Formboard 1:1</v-btn>
      <v-btn
        variant="outlined"
        size="small"
        color="primary"
        :href="$file(`looms/${id}/offsets.csv?units=${system}`)">Offsets</v-btn>
      <v-btn variant="outlined" size="small" color="primary" :to="`/parts?scope=loom:${id}`">Parts</v-btn>
      <v-btn v-if="session.plans" size="small" color="primary" @click="editing = true">Edit</v-btn>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }} <button
      v-if="theirs"
      type="button"
      class="link"
      @click="theirs = false; attempt(load)">Show how it stands now</button></p>
    <BeingMade v-if="!loom && !problem" of="the loom" />
    <div v-if="shown" class="split">
      <div class="left">
        <WhyNote kind="loom" :of="id" :name="shown.part.name" />
        <p
          v-if="shown.segments.length === 0"
          class="note check">This loom has no shape yet. {{ shown.members.length
            ? 'Give its members ways that lead through the building.'
            : 'Put runs into it on the schedule: mark them, then change their loom together.' }}</p>
        <LoomDrawing
          v-else
          :loom="shown"
          :chosen="segment?.id ?? ''"
          :edits="session.plans"
          @choose="each => chosen = each"
          @move="move" />
        <p
          v-if="session.plans && shown.segments.length"
          class="quiet hint">Drag a breakout along the loom, or focus it and use the arrows. Ways keep their length:
          what changes is the leg and what is cut.</p>
        <section v-if="ahead" class="ahead" aria-label="What this move does">
          <p class="acts"><b>Moved, not saved.</b> <v-btn
            size="small"
            color="primary"
            :loading="busy"
            @click="keep">Keep it</v-btn><v-btn
              size="small"
              variant="text"
              @click="ahead = null">Put it back</v-btn></p>
          <div class="two"><ReroutedList
            :changes="ahead.rerouted"
            would /><div><h2>Reels</h2><ReplannedList :changes="ahead.replanned" /></div></div>
        </section>
        <p
          v-for="finding in shown.findings"
          :key="finding.words"
          class="note"
          :class="finding.severity">{{ inWords(finding.words) }} {{ inWords(finding.remedy) }}</p>
        <table v-if="shown.segments.length" class="lines">
          <thead><tr><th>Segment</th><th class="right">Begins</th><th class="right">Length</th>
            <th class="right">Cables</th><th class="right">⌀</th><th>Sleeve</th><th class="right">Ties</th>
            <th class="right">Weight</th></tr></thead>
          <tbody><tr
            v-for="each in shown.segments"
            :key="each.id"
            :class="{ chosen: each.id === segment?.id }"
            @click="chosen = each.id">
            <td>{{ each.beside ? '↳ ' : '' }}{{ each.wayName }}</td><td class="mono right">{{ length(each.start) }}</td>
            <td class="mono right">{{ length(each.length) }}</td><td class="mono right">{{ each.members.length }}</td>
            <td class="mono right">{{ inFigures(each.diameter.text) }}</td>
            <td>{{ each.sleeve ? `${each.sleeve.name}, ${length(each.sleeve.cut.result)}` : '' }}</td>
            <td class="mono right">{{ each.points.length || '' }}</td><td class="mono right">{{ each.mass.text }}</td>
          </tr></tbody>
        </table>
        <h2>Members and what each is cut to</h2>
        <table class="lines">
          <tbody><tr
            v-for="each in shown.members"
            :key="each.id"><td class="mono"><router-link :to="`/runs/${each.id}`">{{ each.code }}</router-link></td><td>
              <Swatch :colour="each.sheath" /></td><td>{{ each.cable }}</td><td><details>
              <summary class="mono">{{ length(each.cut.result) }}</summary><WorkedSum :worked="each.cut" /></details>
            </td></tr></tbody>
        </table>
        <p v-if="session.plans && shown.members.length === 0"><v-btn
          size="small"
          variant="text"
          color="error"
          @click="remove">Remove this loom</v-btn></p>
      </div>
      <aside v-if="segment" aria-label="Segment"><SegmentPanel
        :segment="segment"
        :tie-every="shown.part.tieEvery ?? '300 mm'" /></aside>
    </div>
    <v-dialog v-model="editing" max-width="440"><LoomForm
      v-if="loom && editing"
      :part="loom.part"
      :version="loom.version"
      :places="places"
      @saved="saved"
      @close="editing = false" /></v-dialog>
  </main>
</template>

<style scoped>
.page {
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
  padding: 12px 18px 40px;
}
aside {
  overflow: auto;
  border-left: 1px solid var(--line);
  background: var(--surface);
  padding: 12px 16px 40px;
}
.hint {
  font-size: 12.5px;
  margin: 4px 0 8px;
}
.right {
  text-align: right;
  white-space: nowrap;
}
tr.chosen td {
  background: var(--chosen);
}
tbody tr {
  cursor: default;
}
summary {
  cursor: pointer;
}
.ahead {
  border-left: 3px solid var(--copper);
  background: var(--chosen);
  padding: 6px 14px;
  margin: 6px 0;
}
.acts {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 4px 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
}
.link {
  all: unset;
  cursor: pointer;
  text-decoration: underline;
}
@media (max-width: 900px) {
  .page {
    display: block;
    height: 100%;
    overflow: auto;
  }
  .split,
  .two {
    display: block;
  }
  .left,
  aside {
    overflow: visible;
    border-left: 0;
  }
  .left {
    overflow-x: auto;
  }
}
</style>
