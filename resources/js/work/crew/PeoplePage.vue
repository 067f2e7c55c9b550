<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { CrewAnswer, Member } from '../../api/crew'
import type { Invitation } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import InviteLink from '../../ui/InviteLink.vue'
import CrewTabs from './CrewTabs.vue'

const ROLES = ['planner', 'bench', 'installer', 'tester', 'lead']
const crew = ref<CrewAnswer | null>(null)
/** Somebody of the crew; 'new': whoever comes next. */
const chosen = ref<Member | 'new' | null>(null)
const member = computed(() => (chosen.value === 'new' ? null : chosen.value))
const draft = ref({ person: '', signIn: '', name: '', roles: [] as string[], skills: [] as string[] })
const shown = ref<{ name: string; invitation: Invitation } | null>(null)
const gift = ref({ kind: 'loom', key: '' })
const { problem, said, busy, attempt } = useAttempt()
const load = () =>
  attempt(async () => {
    crew.value = await api.get('crew')
  })
onMounted(load)
const here = computed(() => crew.value?.people.filter(each => !each.left) ?? [])
const gone = computed(() => crew.value?.people.filter(each => each.left) ?? [])
const choices = computed(() =>
  crew.value === null
    ? []
    : gift.value.kind === 'skill'
      ? crew.value.skills
      : gift.value.kind === 'loom'
        ? crew.value.looms
        : crew.value.jobs,
)
watch(
  () => gift.value.kind,
  () => {
    gift.value.key = ''
  },
)
const mine = computed(() => crew.value?.given.filter(each => each.person === member.value?.id) ?? [])
const skills = (person: Member) =>
  person.skills.map(each => crew.value!.skills.find(skill => skill.id === each)?.name ?? each).join(', ')

function open(person: Member) {
  chosen.value = person
  draft.value = { person: '', signIn: '', name: '', roles: [...person.roles], skills: [...person.skills] }
  shown.value = null
  problem.value = said.value = ''
}
function fresh() {
  chosen.value = 'new'
  draft.value = {
    person: crew.value?.colleagues[0]?.id ?? '',
    signIn: '',
    name: '',
    roles: ['bench'],
    skills: [],
  }
  shown.value = null
  problem.value = said.value = ''
}
const toggle = (list: 'roles' | 'skills', value: string) => {
  draft.value[list] = draft.value[list].includes(value)
    ? draft.value[list].filter(each => each !== value)
    : [...draft.value[list], value]
}
const save = () =>
  attempt(async () => {
    const { person, signIn, name, roles, skills: can } = draft.value
    if (member.value)
      await api.patch(`crew/${member.value.id}`, {
        roles,
        skills: can,
        version: member.value.version,
      })
    else {
      const made = await api.post('crew', {
        ...(person ? { person } : { name, signIn }),
        roles,
        skills: can,
      })
      if (made.invitation) shown.value = { name, invitation: made.invitation }
      chosen.value = null
    }
    await load()
  }, 'Saved.')
const back = (person: Member) =>
  attempt(async () => {
    await api.post('crew', { person: person.id, roles: person.roles.length ? person.roles : ['bench'], skills: [] })
    await load()
    open(here.value.find(each => each.id === person.id) ?? person)
  })
const again = (person: Member) =>
  attempt(async () => {
    const made = await api.post(`organisation/people/${person.id}/invitation`)
    shown.value = { name: person.name, invitation: made.invitation }
  })
const end = (person: Member) =>
  attempt(async () => {
    await api.delete(`crew/${person.id}`)
    chosen.value = null
    await load()
  })
const give = () =>
  attempt(async () => {
    await api.post('crew/given', { person: member.value!.id, ...gift.value })
    gift.value.key = ''
    await load()
  })
const take = (id: number) =>
  attempt(async () => {
    await api.delete(`crew/given/${id}`)
    await load()
  })
</script>

<template>
  <main class="people">
    <header><h1>Crew</h1><CrewTabs /><span class="space" /><v-btn
      color="primary"
      :disabled="!crew"
      @click="fresh">Take somebody in</v-btn></header>
    <p v-if="problem && !chosen" class="note failed" role="alert">{{ problem }}</p>
    <InviteLink v-if="shown" class="pass" :name="shown.name" :invitation="shown.invitation" />
    <div v-if="crew" class="body">
      <div>
        <table class="lines">
          <thead><tr><th>Name</th><th>Here they are</th><th>Skills</th><th>Given</th></tr></thead>
          <tbody>
            <tr
              v-for="person in here"
              :key="person.id"
              :class="{ chosen: member?.id === person.id, retired: person.retired }">
              <td><button
                    type="button"
                    @click="open(person)">{{ person.name }}</button>
                <small>{{ person.signIn }}<template v-if="person.retired"> · retired</template>
                  <template v-else-if="!person.signsIn"> · has not come yet</template></small></td>
              <td>{{ person.roles.join(', ') }}</td>
              <td>{{ skills(person) }}</td>
              <td>{{ crew.given.filter(each => each.person === person.id).map(each => each.key).join(', ') }}</td>
            </tr>
          </tbody>
        </table>
        <details v-if="gone.length">
          <summary>Not of the crew any more: {{ gone.length }}</summary>
          <p v-for="person in gone" :key="person.id" class="gift">{{ person.name }} <button
            v-if="!person.retired"
            type="button"
            @click="back(person)">take back in</button><span v-else class="quiet">retired</span></p>
        </details>
      </div>
      <form v-if="chosen" @submit.prevent="save">
        <h2>{{ member ? member.name : 'Take somebody in' }}</h2>
        <template v-if="!member">
          <label class="who">Who<select v-model="draft.person">
            <option v-for="each in crew.colleagues" :key="each.id" :value="each.id">{{ each.name }}</option>
            <option v-if="crew.invites" value="">somebody new …</option>
          </select></label>
          <p v-if="!crew.colleagues.length && !crew.invites" class="note check">Everybody of your organisation is here.
            New people are invited by those who look after its people.</p>
          <template v-if="draft.person === '' && crew.invites">
            <v-text-field v-model="draft.name" label="Name" maxlength="120" />
            <v-text-field v-model="draft.signIn" label="Mail address, or another sign-in name" autocapitalize="off" />
          </template>
        </template>
        <fieldset><legend>Roles here</legend><label v-for="role in ROLES" :key="role"><input
          type="checkbox"
          :checked="draft.roles.includes(role)"
          @change="toggle('roles', role)"> {{ role }}</label></fieldset>
        <fieldset><legend>Skills</legend><label v-for="skill in crew.skills" :key="skill.id"><input
          type="checkbox"
          :checked="draft.skills.includes(skill.id)"
          @change="toggle('skills', skill.id)"> {{ skill.name }}</label></fieldset>
        <p
          v-if="draft.skills.includes('mains')"
          class="note check">Licensed for mains under local code: you have seen the licence.</p>
        <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
        <p class="acts"><v-btn
          type="submit"
          color="primary"
          :loading="busy"
          :disabled="!member && !draft.person && (!draft.name || !draft.signIn)">Save</v-btn><v-btn
            variant="text"
            @click="chosen = null">Close</v-btn></p>
        <template v-if="member">
          <h2>Given to {{ member.name.split(' ')[0] }}</h2>
          <p
            v-for="each in mine"
            :key="each.id"
            class="gift">{{ each.kind }} <b class="mono">{{ each.key }}</b> <button
              type="button"
              @click="take(each.id)">take back</button></p>
          <p class="acts"><select
            v-model="gift.kind"
            aria-label="What"><option value="loom">loom</option><option value="assembly">job</option>
            <option value="skill">skill</option></select><select
            v-model="gift.key"
            :aria-label="`Which ${gift.kind}`"><option
              v-for="each in choices"
              :key="each.id"
              :value="each.id">{{ each.name }}</option></select><v-btn
                size="small"
                variant="outlined"
                :disabled="!gift.key"
                @click="give">Give</v-btn></p>
          <p class="acts"><v-btn
            v-if="crew.invites && !member.retired"
            variant="outlined"
            @click="again(member)">{{ member.signsIn ? 'Link for a new password' : 'New link' }}</v-btn><v-btn
              variant="outlined"
              @click="end(member)">Out of the crew</v-btn></p>
        </template>
        <p v-if="said" class="quiet" role="status">{{ said }}</p>
      </form>
    </div>
  </main>
</template>

<style scoped>
.people {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
}
.space {
  flex: 1;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 24px;
  padding: 10px 20px;
  align-items: start;
}
.body form {
  display: grid;
  gap: 8px;
}
.body form p {
  margin: 0;
}
.pass {
  margin: 10px 20px;
}
td button {
  all: unset;
  cursor: pointer;
  font-weight: 600;
}
td button:focus-visible,
.gift button:focus-visible {
  outline: 2px solid var(--copper);
}
small {
  display: block;
  color: var(--slate);
}
tr.chosen {
  background: var(--chosen);
}
tr.retired {
  opacity: 0.55;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 10px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
legend {
  font-weight: 600;
  font-size: 13px;
  float: left;
  width: 100%;
}
.acts {
  align-items: center;
}
.gift button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
}
details {
  margin-top: 14px;
}
summary {
  cursor: pointer;
  color: var(--slate);
}
.who {
  display: grid;
  gap: 4px;
  font-size: 13px;
  font-weight: 600;
}
.who select {
  max-width: none;
}
select,
.acts input {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  max-width: 150px;
}
@media (max-width: 900px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
