<script setup lang="ts">
import { ref } from 'vue'
import { api } from '../api/client'
import { address, visit } from '../api/page'
import { useSession } from '../api/session'
import type { InstallationRef } from '../api/types'
import { useAttempt } from '../ui/attempt'

/** This address is of no installation of the person's own, or they have none yet. */
const session = useSession()
const { problem, attempt } = useAttempt()
const file = ref<File | null>(null)
const bringIn = () =>
  attempt(async () => {
    const form = new FormData()
    form.set('file', file.value!)
    visit(await api.post<InstallationRef>('installations', form))
  })
</script>

<template>
  <main class="none">
    <template v-if="address">
      <h1>Not of your crew</h1>
      <p>No installation of your crews is called <b class="mono">{{ address }}</b>. Its lead can take you into its crew;
        or something was mistyped.</p>
    </template>
    <h1 v-else>No installation yet</h1>
    <template v-if="session.session.installations?.length">
      <p>Yours are:</p>
      <ul><li v-for="each in session.session.installations" :key="each.id"><a :href="`/i/${each.address}/schedule`">{{
        each.name }}</a> <span class="mono quiet">{{ each.address }}</span></li></ul>
    </template>
    <p v-else>You are of no crew yet. A lead takes you into theirs.</p>
    <form v-if="session.plans && !session.session.installations?.length" @submit.prevent="bringIn">
      <v-file-input v-model="file" label="An installation file (.json)" accept=".json,application/json" />
      <v-btn type="submit" color="primary" :disabled="!file">Bring it in</v-btn>
      <p v-if="problem" role="alert">{{ problem }}</p>
    </form>
  </main>
</template>

<style scoped>
.none {
  padding: 32px;
  max-width: 640px;
}
h1 {
  font-size: 24px;
  margin: 0 0 12px;
}
p {
  margin: 0 0 12px;
}
ul {
  margin: 0 0 20px;
  padding-left: 20px;
  line-height: 2;
}
form {
  display: grid;
  gap: 12px;
  max-width: 420px;
  justify-items: start;
}
form > :first-child {
  width: 100%;
}
</style>
