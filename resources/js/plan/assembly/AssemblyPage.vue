<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useSession } from '../../api/session'
import BeingMade from '../../ui/BeingMade.vue'
import SideDrawn from '../../ui/SideDrawn.vue'
import { saying } from '../../api/client'
import { useLatest } from '../../ui/latest'
import ConnectorInHand from './ConnectorInHand.vue'
import ContactInHand from './ContactInHand.vue'
import EndElements from './EndElements.vue'
import FacingMate from './FacingMate.vue'
import FairCopy from './FairCopy.vue'
import FollowsList from './FollowsList.vue'
import HoldCable from './HoldCable.vue'
import InHand from './InHand.vue'
import MainsDrain from './MainsDrain.vue'
import NewConnector from './NewConnector.vue'
import { spoken } from './names'
import { useAssembly, type Follows, type GestureSent } from './useAssembly'
import { useInHand } from './useInHand'
import TakesSum from '../TakesSum.vue'
import WhyNote from '../why/WhyNote.vue'

const props = defineProps<{ id: string }>()
const session = useSession()
const { check, page, takes, runs, fittings, ends, done, missing, problem, said, busy, load, hold, look, make, undo } =
  useAssembly(props.id)
const { end, fitting, fittingId, chosen, contacts, line, lit, takeEnd, choose, press, drop } = useInHand(ends, fittings)
const view = ref<'face' | 'wiring'>('wiring')
const follows = ref<Follows | null>(null)
const wrong = ref('')
const holding = ref(false)
const fresh = ref(false)
const parallel = ref(false)
onMounted(load)

const at = () => ({ run: end.value?.run.id ?? '', side: end.value?.end.side ?? 'A' })
const lined = (): GestureSent => ({ kind: 'line', ...at(), line: line.value, fitting: fitting.value?.id ?? '' })

const { latest, forget } = useLatest()
const lookSoon = useDebounceFn(async () => {
  forget()
  wrong.value = ''
  if (!line.value.trim()) {
    follows.value = null
    return
  }
  try {
    await latest(look(lined()), answer => {
      follows.value = answer
    })
  } catch (error) {
    follows.value = null
    wrong.value = saying(error)
  }
}, 400)
watch(line, () => void lookSoon())

async function gesture(sent: GestureSent) {
  if (await make({ ...at(), ...sent })) {
    fresh.value = parallel.value = false
    drop()
    follows.value = null
  }
}
const say = () => line.value.trim() && gesture(lined())
const splice = () => gesture({ kind: 'splice', cores: chosen.value.map(conductor => ({ ...at(), conductor })) })

/** Every contact of the connector in hand goes on to the contact of the same name of a new one. */
function onward(sent: GestureSent) {
  const of = fitting.value
  if (!of?.drawing) return
  return gesture({
    kind: 'jump',
    into: sent.into,
    plan: sent.plan,
    bridges: of.drawing.cavities.map(each => ({ from: `${of.id}/${each.address}`, to: each.address })),
  })
}
const first = computed(() => page.value?.runs.find(run => run.id === props.id) ?? page.value?.runs[0])
const carries = computed(() =>
  (end.value?.end.elements ?? []).some(each => chosen.value.includes(each.path) && each.carries === ''),
)
const title = computed(() =>
  page.value && page.value.runs.length > 3
    ? `${page.value.runs[0]!.code} and ${page.value.runs.length - 1} more`
    : (page.value?.runs.map(run => run.code).join(', ') ?? ''),
)
</script>

<template>
  <main class="assembly">
    <header>
      <router-link :to="`/runs/${id}`" class="back">{{ first?.code ?? 'Run' }}</router-link>
      <h1 v-if="page">Assembly <span class="mono">{{ title }}</span></h1>
      <span class="space" />
      <SideDrawn v-model="view" />
      <template v-if="session.plans">
        <v-btn variant="outlined" color="primary" @click="holding = true">Land another cable</v-btn>
        <v-btn color="primary" :disabled="done.length === 0 || busy" @click="undo">Undo</v-btn>
      </template>
    </header>
    <p v-if="missing" class="note failed" role="alert">{{ missing }}</p>
    <BeingMade v-if="!page && !missing" of="the assembly" />
    <div v-if="page && end" class="body">
      <section class="over" aria-label="Overview">
        <FairCopy
          :page="page"
          :end="end.key"
          :fitting="fitting?.id ?? ''"
          @end="takeEnd"
          @fitting="fittingId = $event" />
        <div class="lists">
          <p class="quiet">{{ page.sums.contacts }} contacts · {{ page.sums.legs }} legs ·
            {{ page.sums.unused }} cores unjoined</p>
          <TakesSum :takes="takes" />
          <p
            v-for="finding in page.findings"
            :key="finding.words"
            class="note"
            :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
          <template v-if="page.jumpers.length">
            <details :open="page.jumpers.length < 3">
              <summary>{{ page.jumpers.length }} {{ page.jumpers.length === 1 ? 'jumper' : 'jumpers' }}</summary>
              <p v-for="each in page.jumpers" :key="each.words" class="between">{{ each.words }}<span
                v-if="each.note"
                class="quiet"> · {{ each.note }}</span> <v-btn
                  v-if="session.plans"
                  size="x-small"
                  variant="text"
                  color="primary"
                  :aria-label="`Take out the jumper ${each.words}`"
                  @click="gesture({ kind: 'unjump', from: each.from, to: each.to })">take out</v-btn></p>
            </details>
          </template>
          <template v-if="page.switches.length">
            <details :open="page.switches.length < 3">
              <summary>{{ page.switches.length }} {{ page.switches.length === 1 ? 'switch'
                : 'switches' }}</summary>
              <p v-for="each in page.switches" :key="each.id" class="between"><b>{{ each.name }}</b> {{ each.words }},
                {{ each.closed ? 'closed' : 'open' }} at rest <v-btn
                  v-if="session.plans"
                  size="x-small"
                  variant="text"
                  color="primary"
                  :aria-label="`Take out ${each.name}`"
                  @click="gesture({ kind: 'remove-switch', from: each.id })">take out</v-btn></p>
            </details>
          </template>
          <template v-if="page.splices.length">
            <h2>Splices</h2>
            <p v-for="each in page.splices" :key="each.id" class="between"><b class="mono">{{ each.id }}</b>
              {{ each.comes.join(', ') }} <v-btn
                v-if="session.plans"
                size="x-small"
                variant="text"
                color="primary"
                :aria-label="`Undo ${each.id}`"
                @click="gesture({ kind: 'unsplice', from: `splice:${each.id}` })">undo</v-btn></p>
          </template>
        </div>
      </section>
      <section class="hand" aria-label="End in hand">
        <nav class="ends" aria-label="Ends">
          <button
            v-for="each in ends"
            :key="each.key"
            type="button"
            :aria-pressed="each.key === end.key"
            @click="takeEnd(each.key)"><b class="mono">{{ each.run.code }} {{ each.end.side }}</b>
            <span>{{ each.end.place }}</span></button>
        </nav>
        <p class="quiet">{{ end.run.cable }}<template v-if="end.end.bare"> ·
          {{ end.end.bare.words || 'nothing is said of this end yet' }}</template></p>
        <p v-for="caution in end.end.bare?.cautions ?? []" :key="caution" class="note check">{{ caution }}</p>
        <div class="face-to-face">
          <EndElements
            :end="end.end"
            :code="end.run.code"
            :fittings="fittings"
            :chosen="chosen"
            :disabled="!session.plans || end.run.withdrawn"
            @choose="choose"
            @fitting="fittingId = $event" />
          <div v-if="fitting"><ConnectorInHand
                                :fitting="fitting"
                                :runs="runs"
                                :lit="lit"
                                :view="view"
                                :disabled="!session.plans"
                                @press="press"
                                @gesture="gesture" />
            <WhyNote kind="fitting" :of="fitting.id" :name="fitting.label" />
            <FacingMate
              v-if="fitting.facing"
              :fitting="fitting"
              :may="session.plans"
              :busy="busy"
              @checked="check(fitting.id, $event)" />
          </div>
        </div>
      </section>
      <aside v-if="session.plans" class="panel" aria-label="In hand">
        <h2>In hand</h2>
        <p v-if="chosen.length" class="what"><b>{{ spoken(chosen, end.end.elements) }}</b>
          of {{ end.run.code }} end {{ end.end.side }} <v-btn
            size="x-small"
            variant="text"
            @click="drop">put down</v-btn></p>
        <p v-else-if="!contacts.length" class="quiet">Tick elements or press single cores; with the shift key, all up to
          the next. Then press a contact, or write where they go.</p>
        <form v-if="!contacts.length" class="say" @submit.prevent="say">
          <v-textarea
            v-model="line"
            label="What goes where"
            placeholder="13-18 > C1-C18"
            class="mono"
            rows="1"
            auto-grow
            max-rows="12"
            hide-details
            @keydown.enter.exact.prevent="say" />
          <v-btn type="submit" color="primary" :disabled="!line.trim()" :loading="busy">Join</v-btn>
          <p class="quiet">Channels of the plan or contacts, in ranges; C1- goes on from there. A table can be pasted.
          </p>
        </form>
        <p v-if="wrong || problem" class="note failed" role="alert">{{ problem || wrong }}</p>
        <p v-else-if="said" role="status" class="note good">{{ said }}</p>
        <MainsDrain
          v-if="end.run.drain"
          :drain="end.run.drain"
          :busy="busy"
          @gesture="gesture" />
        <FollowsList v-if="follows && line.trim()" :follows="follows" />
        <InHand
          v-if="chosen.length"
          :chosen="chosen"
          :elements="end.end.elements"
          :legs="end.end.legs"
          :fittings="fittings"
          :busy="busy"
          @gesture="gesture"
          @fresh="fresh = true"
          @splice="splice" />
        <ContactInHand
          v-else-if="contacts.length"
          :contacts="contacts"
          :fittings="fittings"
          :busy="busy"
          @gesture="gesture"
          @parallel="parallel = true" />
      </aside>
    </div>
    <NewConnector
      v-if="fresh || parallel"
      :what="parallel ? `Every contact of ${fitting?.label ?? ''} goes on to the same contact of it.`
        : spoken(chosen, end?.end.elements ?? [])"
      :asks-signal="!parallel && carries"
      :busy="busy"
      :refused="problem"
      @close="fresh = parallel = false"
      @land="parallel ? onward($event) : gesture({ ...$event, elements: chosen })" />
    <HoldCable
      v-if="holding"
      :here="runs.map(run => run.id)"
      @close="holding = false"
      @hold="holding = false; hold($event)" />
  </main>
</template>

<style scoped>
.assembly {
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
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 14px 22px;
  padding: 12px 18px 40px;
  align-items: start;
}
.over {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: minmax(0, auto) minmax(240px, 1fr);
  gap: 24px;
  border-bottom: 1px solid var(--line);
  padding-bottom: 10px;
}
.lists {
  font-size: 13px;
}
.lists h2 {
  margin-top: 8px;
}
.lists summary {
  cursor: pointer;
  padding: 3px 0;
}
.lists > :first-child {
  margin-top: 0;
}
.over,
.hand,
.panel {
  min-width: 0;
}
.panel {
  position: sticky;
  top: 60px;
}
.face-to-face {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 16px;
  align-items: start;
}
.face-to-face > :last-child {
  position: sticky;
  top: 60px;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.ends button {
  all: unset;
  display: inline-flex;
  gap: 8px;
  padding: 5px 10px;
  border: 1px solid var(--line);
  border-radius: 4px;
  font-size: 13px;
  cursor: pointer;
}
.ends button[aria-pressed='true'] {
  border-color: var(--copper);
  background: var(--chosen);
}
.ends button:focus-visible {
  outline: 2px solid var(--copper);
}
.say {
  display: grid;
  gap: 6px;
  margin: 6px 0;
}
.say p,
.what,
.between {
  margin: 3px 0;
  font-size: 13px;
}
@media (max-width: 900px) {
  .over {
    grid-template-columns: minmax(0, 1fr);
  }
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  .face-to-face {
    grid-template-columns: minmax(0, 1fr);
  }
  .panel,
  .face-to-face > :last-child {
    position: static;
  }
  .ends button {
    min-height: 40px;
  }
}
</style>
