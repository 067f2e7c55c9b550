<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ApiError } from '../api/client'
import { useErrand } from '../api/errand'
import { address, visit } from '../api/page'
import { useSession } from '../api/session'
import type { InstallationRef, RowProblem } from '../api/types'
import { useAttempt } from '../ui/attempt'
import ErrandBar from '../ui/ErrandBar.vue'
import { wrongIn } from '../ui/wrong'
import WrongTable from '../ui/WrongTable.vue'

/** The installations that somebody is of the crew of, and how the next one begins. */
defineProps<{ heading?: string }>()
const session = useSession()
const { problem, busy, attempt } = useAttempt()
const sought = ref('')
const all = computed(() => session.session.installations ?? [])
const fits = (each: InstallationRef) =>
  `${each.name} ${each.address} ${each.key}`.toLowerCase().includes(sought.value.trim().toLowerCase())
const inUse = computed(() => all.value.filter(each => !each.archived && fits(each)))
const archived = computed(() => all.value.filter(each => each.archived && fits(each)))
const leaving = ref<InstallationRef | null>(null)

const begin = ref<'empty' | 'sample' | 'file'>('empty')
const name = ref('')
const file = ref<File | null>(null)
const crew = ref(true)
const wrong = ref<RowProblem[]>([])
const { errand, calledOff, follow, callOff } = useErrand(
  'arrival',
  told =>
    attempt(async () => {
      if (told.state === 'done') visit({ address: String(told.result.address) })
      if (told.state !== 'failed') return
      wrong.value = wrongIn(new ApiError(422, told.problem, { problems: told.problems }))
      throw new ApiError(422, told.problem, {})
    }),
  'arrivals',
)
const make = () =>
  attempt(async () => {
    wrong.value = []
    if (begin.value === 'file') {
      const form = new FormData()
      form.set('file', file.value!)
      form.set('crew', crew.value ? '1' : '0')
      await follow(await api.post('arrivals', form))
    } else visit(await api.post('installations', { begin: begin.value, name: name.value }))
  })
const leave = (each: InstallationRef) =>
  attempt(async () => {
    await api.removeAt(each.address, 'membership')
    leaving.value = null
    if (each.address === address) window.location.assign('/installations')
    else await session.load()
  })
</script>

<template>
  <main class="installations">
    <h1>{{ heading ?? 'Your installations' }}</h1>
    <slot />
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div
      v-if="wrong.length"
      class="wrong"
      tabindex="0"
      role="region"
      aria-label="In the file"><WrongTable :problems="wrong" /></div>
    <input
      v-if="all.length > 5"
      v-model="sought"
      type="search"
      aria-label="Search installations"
      placeholder="name or address">
    <ul v-if="inUse.length" aria-label="In use">
      <li v-for="each in inUse" :key="each.address">
        <a :href="`/i/${each.address}/schedule`">{{ each.name }}</a>
        <span class="mono quiet">{{ each.address }}</span>
        <span v-if="each.address === address" class="quiet">in hand</span>
        <button type="button" @click="leaving = each">Leave</button>
      </li>
    </ul>
    <p
      v-else
      class="quiet">{{ all.length ? 'Nothing in use fits.' : 'You are of no crew yet: a lead takes you in.' }}</p>
    <p v-if="leaving" class="note check" role="alertdialog" :aria-label="`Leave ${leaving.name}`">
      <strong>Leave {{ leaving.name }}?</strong>You see nothing of it any more; what you recorded stays. Its lead can
      take you back in.
      <v-btn size="small" variant="outlined" :loading="busy" @click="leave(leaving)">Leave it</v-btn>
      <v-btn size="small" variant="text" @click="leaving = null">Stay</v-btn>
    </p>
    <details v-if="archived.length" :open="inUse.length === 0">
      <summary>Archived: {{ archived.length }}</summary>
      <ul aria-label="Archived">
        <li v-for="each in archived" :key="each.address"><a :href="`/i/${each.address}/schedule`">{{ each.name }}</a>
          <span class="mono quiet">{{ each.address }}</span></li>
      </ul>
    </details>
    <form v-if="session.looksAfter('installations')" aria-label="Begin an installation" @submit.prevent="make">
      <h2>Begin another</h2>
      <fieldset>
        <legend class="visually-hidden">From what</legend>
        <label><input v-model="begin" type="radio" value="empty"> empty: house rules as they ship, nothing else</label>
        <label><input v-model="begin" type="radio" value="sample"> from the sample, to try things on: a whole
          installation, half built</label>
        <label><input
          v-model="begin"
          type="radio"
          value="file"> from an installation file, with all that was decided and
          done</label>
      </fieldset>
      <template v-if="begin === 'file'">
        <v-file-input v-model="file" label="An installation file (.json)" accept=".json,application/json" />
        <label><input v-model="crew" type="checkbox"> its people become the crew, as what the file says; without, its
          record knows them and you are alone</label>
      </template>
      <v-text-field v-else v-model="name" label="Name" maxlength="120" />
      <v-btn
        type="submit"
        color="primary"
        :loading="busy"
        :disabled="errand !== null || (begin === 'file' ? !file : !name.trim())">Begin it, and open it</v-btn>
      <ErrandBar
        v-if="errand"
        :errand="errand"
        :called-off="calledOff"
        of="the file"
        @call-off="attempt(callOff)" />
      <p class="quiet">From one of yours: open it, then choose “Begin the next one from this” below your name.</p>
    </form>
  </main>
</template>

<style scoped>
.installations {
  height: 100%;
  overflow: auto;
  padding: 16px 20px 40px;
  max-width: 760px;
}
h1 {
  font-size: 20px;
}
.wrong {
  max-height: 40vh;
  overflow: auto;
}
input[type='search'] {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 8px 10px;
  margin-top: 10px;
  width: min(320px, 100%);
  background: var(--surface);
  color: inherit;
  font: inherit;
}
ul {
  list-style: none;
  padding: 0;
  margin: 10px 0;
}
li {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding: 9px 0;
  border-bottom: 1px solid var(--line);
}
li a {
  font-weight: 600;
  font-size: 15px;
}
li button {
  all: unset;
  margin-left: auto;
  cursor: pointer;
  color: var(--slate);
  text-decoration: underline;
  padding: 4px;
}
li button:focus-visible {
  outline: 2px solid var(--copper);
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
  margin-top: 20px;
  max-width: 520px;
}
form > .v-input {
  width: 100%;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
summary {
  cursor: pointer;
  color: var(--slate);
}
</style>
