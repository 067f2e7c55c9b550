<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { CrewAnswer, Member } from '../../api/crew'
import { useSession } from '../../api/session'
import { useAttempt } from '../../ui/attempt'
import CrewTabs from './CrewTabs.vue'

const ROLES = ['planner', 'bench', 'installer', 'tester', 'lead']
const session = useSession()
const crew = ref<CrewAnswer | null>(null)
const chosen = ref<Member | null>(null)
const draft = ref({ signIn: '', name: '', roles: [] as string[], skills: [] as string[] })
const shown = ref<{ name: string; password: string } | null>(null)
const gift = ref({ kind: 'loom', key: '' })
const { problem, said, busy, attempt } = useAttempt()
const load = () =>
  attempt(async () => {
    crew.value = await api.get<CrewAnswer>('crew')
  })
onMounted(load)
const isNew = computed(() => chosen.value?.id === 0)
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
const mine = computed(() => crew.value?.given.filter(each => each.user_id === chosen.value?.id) ?? [])

function open(person: Member) {
  chosen.value = person
  draft.value = { signIn: person.signIn, name: person.name, roles: [...person.roles], skills: [...person.skills] }
  shown.value = null
  problem.value = ''
}
const fresh = () =>
  open({ id: 0, signIn: '', name: '', roles: ['bench'], skills: [], retired: false, signsIn: false, mine: true })
const toggle = (list: 'roles' | 'skills', value: string) => {
  draft.value[list] = draft.value[list].includes(value)
    ? draft.value[list].filter(each => each !== value)
    : [...draft.value[list], value]
}
const save = () =>
  attempt(async () => {
    if (isNew.value) {
      const made = await api.post<{ id: number; password: string }>('crew', draft.value)
      shown.value = { name: draft.value.name, password: made.password }
      chosen.value = null
    } else
      await api.patch(`crew/${chosen.value!.id}`, {
        name: draft.value.name,
        roles: draft.value.roles,
        skills: draft.value.skills,
      })
    await load()
  }, 'Saved.')
const reset = () =>
  attempt(async () => {
    shown.value = {
      name: chosen.value!.name,
      password: (await api.post<{ password: string }>(`crew/${chosen.value!.id}/password`)).password,
    }
  })
const retire = (retired: boolean) =>
  attempt(async () => {
    await api.put(`crew/${chosen.value!.id}/retired`, { retired })
    chosen.value = null
    await load()
  })
const give = () =>
  attempt(async () => {
    await api.post('crew/given', { user: chosen.value!.id, ...gift.value })
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
      @click="fresh">New person</v-btn></header>
    <p v-if="problem && !chosen" class="note failed" role="alert">{{ problem }}</p>
    <p
      v-if="shown"
      class="note good pass"
      role="status"><strong>{{ shown.name }} signs in with <span class="mono">{{ shown.password }}</span>
      </strong>Hand it over now: it is not shown again.</p>
    <div v-if="crew" class="body">
      <table class="lines">
        <thead><tr><th>Name</th><th>Roles</th><th>Skills</th><th>Given</th></tr></thead>
        <tbody>
          <tr
            v-for="person in crew.people"
            :key="person.id"
            :class="{ chosen: chosen?.id === person.id, retired: person.retired }">
            <td><button
                  type="button"
                  @click="open(person)">{{ person.name }}</button>
              <small>{{ person.signIn }}<template v-if="person.retired"> · retired</template>
                <template v-else-if="!person.signsIn"> · cannot sign in yet</template></small></td>
            <td>{{ person.roles.join(', ') }}</td>
            <td>{{ person.skills.map(each => crew!.skills.find(skill => skill.id === each)?.name
              ?? each).join(', ') }}</td>
            <td>{{ crew.given.filter(each => each.user_id === person.id).map(each => each.key).join(', ') }}</td>
          </tr>
        </tbody>
      </table>
      <form v-if="chosen" @submit.prevent="save">
        <h2>{{ isNew ? 'New person' : chosen.name }}</h2>
        <p
          v-if="!chosen.mine"
          class="note check">Works on an installation that you do not lead as well: their lead changes them.</p>
        <v-text-field v-if="isNew" v-model="draft.signIn" label="Sign-in name" />
        <v-text-field v-model="draft.name" label="Name" />
        <fieldset><legend>Roles</legend><label v-for="role in ROLES" :key="role"><input
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
          :disabled="!chosen.mine">Save</v-btn><v-btn variant="text" @click="chosen = null">Close</v-btn></p>
        <template v-if="!isNew && chosen.mine">
          <h2>Given to {{ chosen.name.split(' ')[0] }}</h2>
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
          <p class="acts"><v-btn variant="outlined" @click="reset">New password</v-btn><v-btn
            v-if="chosen.signIn !== session.session.person?.signIn"
            variant="outlined"
            @click="retire(!chosen.retired)">{{ chosen.retired ? 'Back to work' : 'Retire' }}</v-btn></p>
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
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.gift button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
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
