<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../api/client'
import { address } from '../api/page'
import { useSession } from '../api/session'
import type { InstallationRef } from '../api/types'
import { useAttempt } from '../ui/attempt'
import BeginForm from './BeginForm.vue'

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
    <BeginForm v-if="session.looksAfter('installations')" :own="inUse" />
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
summary {
  cursor: pointer;
  color: var(--slate);
}
</style>
