<script setup lang="ts">
import type { Answer } from '../api/answers'
import { computed, onMounted, ref } from 'vue'
import { api, ApiError } from '../api/client'
import { useSession } from '../api/session'
import type { Invitation, Office, Schemas } from '../api/types'
import { useAttempt } from '../ui/attempt'
import InviteLink from '../ui/InviteLink.vue'
import { when } from '../ui/dates'

/** The organisation, for those who look after its people or its installations. */
type Somebody = Schemas['OrganisationPerson']
type Place = Schemas['OrganisationInstallation']
type Organisation = Schemas['OrganisationPage']
type Line = Answer<'organisation/log', 'get'>['rows'][number]
const OFFICES: [Office, string][] = [
  ['people', 'looks after people: invites, retires, puts a lead'],
  ['installations', 'looks after installations: begins and brings in'],
]
const session = useSession()
const organisation = ref<Organisation | null>(null)
const name = ref('')
const renaming = ref(false)
const chosen = ref<Somebody | 'new' | null>(null)
const draft = ref({ name: '', signIn: '', offices: [] as Office[] })
const shown = ref<{ name: string; invitation: Invitation } | null>(null)
const leads = ref<Record<string, string>>({})
const log = ref<Line[] | null>(null)
const { problem, said, busy, attempt } = useAttempt()
const somebody = computed(() => (chosen.value === 'new' ? null : chosen.value))
const atWork = computed(() => organisation.value?.people.filter(each => !each.retired) ?? [])

function take(now: Organisation) {
  organisation.value = now
  name.value = now.name
}
onMounted(() =>
  attempt(async () => {
    take(await api.get('organisation'))
  }),
)
const rename = () =>
  attempt(async () => {
    try {
      take(await api.put('organisation', { name: name.value, version: organisation.value!.version }))
      await session.load()
      renaming.value = false
    } catch (error) {
      const theirs = error instanceof ApiError ? (error.body.theirs as { name: string; version: number }) : undefined
      if (!theirs) throw error
      organisation.value = { ...organisation.value!, ...theirs }
      problem.value =
        `Somebody else calls it "${theirs.name}" since. ` + `You wrote "${name.value}": save again to keep yours.`
    }
  })
function open(person: Somebody | 'new') {
  chosen.value = person
  draft.value =
    person === 'new'
      ? { name: '', signIn: '', offices: [] }
      : { name: person.name, signIn: '', offices: [...person.offices] }
  shown.value = null
  problem.value = said.value = ''
}
const toggle = (office: Office) => {
  draft.value.offices = draft.value.offices.includes(office)
    ? draft.value.offices.filter(each => each !== office)
    : [...draft.value.offices, office]
}
const save = () =>
  attempt(async () => {
    if (somebody.value)
      take(
        await api.patch(`organisation/people/${somebody.value.id}`, {
          name: draft.value.name,
          offices: draft.value.offices,
          version: somebody.value.version,
        }),
      )
    else {
      const made = await api.post('organisation/people', draft.value)
      shown.value = { name: draft.value.name, invitation: made.invitation }
      take(await api.get('organisation'))
    }
    chosen.value = null
    await session.load()
  })
const again = (person: Somebody) =>
  attempt(async () => {
    const made = await api.post(`organisation/people/${person.id}/invitation`)
    shown.value = { name: person.name, invitation: made.invitation }
  })
const retire = (person: Somebody) =>
  attempt(async () => {
    take(
      await api.put(`organisation/people/${person.id}/retired`, {
        retired: !person.retired,
      }),
    )
    chosen.value = null
  })
const lead = (place: Place) =>
  attempt(async () => {
    take(
      await api.put(`organisation/installations/${place.address}/lead`, {
        person: leads.value[place.address],
      }),
    )
    await session.load()
  })
const read = () =>
  attempt(async () => {
    log.value = (await api.get('organisation/log')).rows
  })
</script>

<template>
  <main class="organisation">
    <v-progress-linear v-if="!organisation && !problem" indeterminate color="primary" aria-label="Loading" />
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <template v-if="organisation">
      <form class="name" @submit.prevent="rename">
        <h1 v-if="!renaming">{{ organisation.name }}</h1>
        <button v-if="session.looksAfter('people') && !renaming" type="button" @click="renaming = true">rename</button>
        <template v-if="renaming">
          <input v-model="name" aria-label="Name of the organisation" maxlength="120">
          <v-btn
            type="submit"
            size="small"
            variant="outlined"
            :disabled="!name.trim() || name === organisation.name"
            :loading="busy">Rename it</v-btn>
        </template>
      </form>
      <p v-if="!organisation.offices.length" class="quiet">You work here. Who is of which crew, its lead says; who comes
        and goes, those who look after people.</p>
      <InviteLink v-if="shown" :name="shown.name" :invitation="shown.invitation" />
      <div v-if="session.looksAfter('people')" class="body">
        <section aria-labelledby="people">
          <header><h2 id="people">People</h2><v-btn
            size="small"
            color="primary"
            @click="open('new')">Invite somebody</v-btn></header>
          <table class="lines">
            <thead><tr><th>Name</th><th>Looks after</th><th>Crews</th></tr></thead>
            <tbody><tr
              v-for="person in organisation.people"
              :key="person.id"
              :class="{ retired: person.retired, chosen: somebody?.id === person.id }">
              <td><button type="button" @click="open(person)">{{ person.name }}</button>
                <small>{{ person.signIn }}{{ person.retired ? ' · retired'
                  : person.signsIn ? '' : ' · has not come yet' }}</small></td>
              <td>{{ person.offices.join(', ') }}</td><td class="mono">{{ person.crews }}</td></tr></tbody>
          </table>
        </section>
        <form v-if="chosen" class="one" @submit.prevent="save">
          <h2>{{ somebody ? somebody.name : 'Somebody new' }}</h2>
          <v-text-field v-model="draft.name" label="Name" maxlength="120" />
          <v-text-field
            v-if="!somebody"
            v-model="draft.signIn"
            label="Mail address, or another sign-in name"
            autocapitalize="off" />
          <fieldset><legend>In the organisation</legend><label v-for="[office, words] in OFFICES" :key="office"><input
            type="checkbox"
            :checked="draft.offices.includes(office)"
            @change="toggle(office)"> {{ words }}</label></fieldset>
          <p class="acts"><v-btn
            type="submit"
            color="primary"
            :loading="busy"
            :disabled="!draft.name || (!somebody && !draft.signIn)">{{ somebody ? 'Save' : 'Invite' }}</v-btn><v-btn
              variant="text"
              @click="chosen = null">Close</v-btn></p>
          <p v-if="somebody" class="acts"><v-btn
            v-if="!somebody.retired"
            variant="outlined"
            @click="again(somebody)">{{ somebody.signsIn ? 'Link for a new password' : 'New link' }}</v-btn><v-btn
              variant="outlined"
              @click="retire(somebody)">{{ somebody.retired ? 'Back to work' : 'Retire' }}</v-btn></p>
        </form>
      </div>
      <section v-if="organisation.offices.length" aria-labelledby="places">
        <h2 id="places">Installations</h2>
        <table class="lines">
          <thead><tr><th>Name</th><th>Address</th><th>Crew</th><th>Led by</th><th /></tr></thead>
          <tbody><tr
            v-for="place in organisation.installations"
            :key="place.address"
            :class="{ retired: place.archived }">
            <td><a v-if="place.mine" :href="`/i/${place.address}/schedule`">{{ place.name }}</a>
              <template v-else>{{ place.name }}</template>{{ place.archived ? ' · archived' : '' }}</td>
            <td class="mono">{{ place.address }}</td><td class="mono">{{ place.crew }}</td>
            <td>{{ place.leads.join(', ') || 'nobody' }}</td>
            <td><form v-if="session.looksAfter('people')" class="lead" @submit.prevent="lead(place)"><select
              v-model="leads[place.address]"
              :aria-label="`Who leads ${place.name}`"><option
                v-for="each in atWork"
                :key="each.id"
                :value="each.id">{{ each.name }}</option></select><v-btn
                  type="submit"
                  size="small"
                  variant="text"
                  :disabled="!leads[place.address]">Make lead</v-btn></form></td></tr></tbody>
        </table>
      </section>
      <details v-if="session.looksAfter('people')" @toggle="($event.target as HTMLDetailsElement).open && read()">
        <summary>Log book: who came in, who may what, what left as a file</summary>
        <table v-if="log?.length" class="lines"><tbody><tr v-for="(line, i) in log" :key="i">
          <td class="mono at">{{ when(line.at) }}</td><td>{{ line.who }}</td><td>{{ line.words }}</td>
          <td class="quiet">{{ line.installation }}</td></tr></tbody></table>
        <p v-else class="quiet">Nothing yet.</p>
      </details>
    </template>
  </main>
</template>

<style scoped>
.organisation {
  height: 100%;
  overflow: auto;
  padding: 14px 20px 40px;
}
.name {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
h1 {
  font-size: 20px;
}
input:not([type]),
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 5px 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  max-width: 220px;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 24px;
  align-items: start;
}
section > header {
  display: flex;
  gap: 14px;
  align-items: baseline;
}
td button,
.name > button[type='button'] {
  all: unset;
  cursor: pointer;
  font-weight: 600;
}
td button:focus-visible,
.name > button:focus-visible {
  outline: 2px solid var(--copper);
}
.name > button[type='button'] {
  color: var(--verdigris);
  font-weight: 400;
  text-decoration: underline;
}
section {
  overflow-x: auto;
}
small {
  display: block;
  color: var(--slate);
}
tr.chosen {
  background: var(--chosen);
}
tr.retired {
  color: var(--slate);
}
.one {
  display: grid;
  gap: 8px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 4px;
}
legend {
  font-weight: 600;
  font-size: 13px;
}
.acts,
.lead {
  display: flex;
  gap: 8px;
  margin: 4px 0 0;
  flex-wrap: wrap;
}
.lead {
  margin: 0;
}
details {
  margin-top: 20px;
}
summary {
  cursor: pointer;
  color: var(--slate);
}
.at {
  white-space: nowrap;
}
@media (max-width: 900px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
