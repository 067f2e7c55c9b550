<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '../../api/client'
import { useErrand } from '../../api/errand'
import type { ChangeLine, Draft, Impact, Release } from '../../api/change'
import { useSession } from '../../api/session'
import ChangeLines from '../../plan/change/ChangeLines.vue'
import ImpactView from '../../plan/change/ImpactView.vue'
import { useAttempt } from '../../ui/attempt'
import ErrandBar from '../../ui/ErrandBar.vue'
import { when } from '../../ui/dates'
import HandoverFrame from './HandoverFrame.vue'

/** What the shop works from, what a new release would bring, and what was put aside. */
const session = useSession()
const { problem, said, busy, attempt } = useAttempt()
const releases = ref<Release[] | null>(null)
const next = ref('A')
const ahead = ref<{ changes: ChangeLine[]; impact: Impact } | null>(null)
const drafts = ref<Draft[]>([])
const looked = ref<{ id: number; impact: Impact } | null>(null)
const searching = ref(false)
const note = ref('')

async function read() {
  const answer = await api.get('releases')
  releases.value = answer.releases
  next.value = answer.next
  if (!session.plans) return
  ;[ahead.value, drafts.value] = await Promise.all([api.get('releases/preview'), api.get('drafts')])
}
onMounted(() => attempt(read))

const working = computed(() => releases.value?.find(release => release.working))
const changed = computed(() => !working.value || (ahead.value?.changes.length ?? 0) > 0)
const { errand, calledOff, follow, callOff } = useErrand('release', told =>
  attempt(async () => {
    await read()
    problem.value = told.problem
    if (told.state === 'called-off') said.value = 'Called off. Nothing is released.'
    if (told.state !== 'done') return
    note.value = ''
    said.value = `${told.result.letter} is released: bench, labels, cutting, site and test work from it.`
  }),
)
const release = () => attempt(async () => follow(await api.post('releases', { note: note.value })), '')

const one = ref('')
const other = ref('now')
const compared = ref<ChangeLine[] | null>(null)
const letters = computed(() => releases.value?.map(each => each.letter) ?? [])
watch(letters, all => {
  if (!one.value && all.length) one.value = all[all.length - 1]!
})
const compare = () =>
  attempt(async () => {
    compared.value = (await api.get(`releases/${one.value}/compare/${other.value}`)).changes
  })

const file = (of: Release, what: 'installation' | 'plan') => `releases/${of.letter}/${what}.json`
const look = (draft: Draft) =>
  attempt(async () => {
    looked.value = looked.value?.id === draft.id ? null : { id: draft.id, impact: await api.get(`drafts/${draft.id}`) }
  })
const search = (draft: Draft) =>
  attempt(async () => {
    searching.value = true
    try {
      looked.value = { id: draft.id, impact: await api.get(`drafts/${draft.id}?all=1`) }
    } finally {
      searching.value = false
    }
  })
// The impact is on the screen already: it is not asked about once more.
const make = (draft: Draft) =>
  attempt(async () => {
    await api.made(`drafts/${draft.id}`)
    looked.value = null
    await read()
  }, 'Made. Undo is in the schedule’s changes.')
const drop = (draft: Draft) =>
  attempt(async () => {
    await api.delete(`drafts/${draft.id}`)
    looked.value = null
    await read()
  }, 'Dropped.')
</script>

<template>
  <HandoverFrame :problem="problem" :said="said" :loading="releases === null">
    <template v-if="releases">
      <section aria-label="Releases">
        <p
          v-if="releases.length === 0"
          class="quiet">Nothing is released yet: bench, labels, cutting, site and test work from the plan as it is. From
          the first release on they work from that, and what is planned after it disturbs nobody.</p>
        <table v-else class="lines">
          <thead><tr><th>Release</th><th>When</th><th>Who</th><th>Note</th><th class="seal">Signed</th><th /></tr>
          </thead>
          <tbody><tr
            v-for="each in releases"
            :key="each.letter"
            :class="{ at: each.working }"><td><b class="mono">{{ each.letter }}</b><span
                                            v-if="each.working"
                                            class="quiet"> worked from</span></td><td>{{ when(each.at) }}</td>
            <td>{{ each.who }}</td>
            <td>{{ each.note }}</td><td
              class="mono seal"
              :title="each.digest">{{ each.digest.slice(0, 12) }}…</td><td>
                <a :href="$file(file(each, 'installation'))">installation</a> <a
                  :href="$file(file(each, 'plan'))">plan</a>
              </td></tr></tbody>
        </table>
      </section>
      <section v-if="letters.length" class="pick" aria-label="Compare">
        <label>Compare <select v-model="one"><option
          v-for="letter in letters"
          :key="letter">{{ letter }}</option></select></label>
        <label>with <select v-model="other"><option value="now">what is planned now</option><option
          v-for="letter in letters"
          :key="letter"
          :value="letter">{{ letter }}</option></select></label>
        <v-btn
          size="small"
          variant="outlined"
          color="primary"
          :disabled="!one"
          :loading="busy"
          @click="compare">Compare</v-btn>
      </section>
      <section v-if="compared" aria-label="Differences"><ChangeLines :lines="compared" /></section>
      <section v-if="session.plans" aria-label="Next release">
        <h2>Release {{ next }}</h2>
        <ErrandBar
          v-if="errand"
          :errand="errand"
          :called-off="calledOff"
          of="the release"
          @call-off="attempt(callOff)" />
        <v-progress-linear v-if="!ahead" indeterminate color="primary" aria-label="Working out what it brings" />
        <template v-else>
          <p v-if="!changed" class="quiet">Nothing has changed since {{ working?.letter }}.</p>
          <form v-else-if="!errand" @submit.prevent="release"><v-text-field
            v-model="note"
            label="Note for the shop"
            maxlength="500" /><v-btn
              type="submit"
              color="primary"
              :loading="busy">Release {{ next }}, signed by {{ session.session.person?.name }}</v-btn></form>
          <template v-if="working && changed">
            <p v-if="ahead.impact.count === 0" class="note good"><strong>It overtakes nothing</strong>that is done.</p>
            <details
              v-else
              open><summary>It overtakes work that is done</summary><ImpactView :impact="ahead.impact" /></details>
            <details>
              <summary>{{ ahead.changes.length }} {{ ahead.changes.length === 1 ? 'thing is' : 'things are' }} otherwise
                than in {{ working.letter }}</summary>
              <ChangeLines :lines="ahead.changes" /></details>
          </template>
        </template>
      </section>
      <section v-if="session.plans && drafts.length" aria-label="Put aside">
        <h2>Put aside</h2>
        <article v-for="draft in drafts" :key="draft.id" class="draft">
          <p><b>{{ draft.words }}</b> <span class="quiet">{{ draft.who }}, {{ when(draft.at) }}</span></p>
          <p class="acts"><v-btn
                            size="small"
                            variant="outlined"
                            color="primary"
                            :disabled="busy"
                            @click="look(draft)">{{ looked?.id === draft.id ? 'Hide what it overtakes'
                              : 'What it overtakes now' }}</v-btn>
            <v-btn
              size="small"
              color="primary"
              :disabled="busy"
              @click="make(draft)">Make it</v-btn><v-btn
                size="small"
                variant="text"
                color="error"
                :disabled="busy"
                @click="drop(draft)">Drop it</v-btn></p>
          <ImpactView
            v-if="looked?.id === draft.id"
            :impact="looked.impact"
            :looking="searching"
            @look="search(draft)" />
        </article>
      </section>
    </template>
  </HandoverFrame>
</template>

<style scoped>
.pick {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  font-size: 13px;
}
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 5px 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  margin: 6px 0;
}
tr.at td {
  box-shadow:
    inset 0 1px var(--copper),
    inset 0 -1px var(--copper);
}
.draft {
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
.draft p {
  margin: 2px 0;
}
summary {
  cursor: pointer;
  padding: 6px 0;
  font-weight: 600;
}
td a {
  margin-right: 8px;
}
@media (max-width: 700px) {
  form {
    grid-template-columns: 1fr;
  }
  .seal {
    display: none;
  }
  td a {
    display: block;
    padding: 6px 0;
  }
}
</style>
