<script setup lang="ts">
import { computed, ref } from 'vue'
import { isOver, signedIn } from '../api/again'
import { api } from '../api/client'
import { address, person } from '../api/page'
import { useSession } from '../api/session'
import type { Session } from '../api/types'
import { useAttempt } from '../ui/attempt'

/** Over the page, where the session is over: what was typed stays, and what was to be written is written then. */
const session = useSession()
const { problem, busy, attempt } = useAttempt()
const who = computed(() => session.session.person?.name ?? '')
const name = ref(session.session.person?.signIn ?? '')
const password = ref('')
/** Somebody else has signed in: what stands on the page is not theirs to save. */
const other = ref('')
const enter = () =>
  attempt(async () => {
    // Brings a token that goes with it.
    await api.get('session')
    const path = `session${address ? `?at=${address}` : ''}`
    const now: Session = await api.post(path, { signIn: name.value, password: password.value })
    password.value = ''
    other.value = now.person?.id === person.value ? '' : (now.person?.name ?? '')
    if (!other.value) signedIn(true)
  })
const reload = () => window.location.reload()
</script>

<template>
  <v-dialog :model-value="isOver" persistent max-width="440" aria-labelledby="again">
    <v-card class="pa-5">
      <h1 id="again">Sign in again</h1>
      <p>Your session is over. What you entered is still here, and is saved once you, {{ who }}, are signed in.</p>
      <form @submit.prevent="enter">
        <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
        <p
          v-if="other"
          class="note check"
          role="alert"><strong>{{ other }} is signed in now.</strong>What is on this page
          was entered by {{ who }}: it is saved by them alone. <v-btn
            size="small"
            variant="outlined"
            @click="reload">Go on as {{ other }}, without it</v-btn></p>
        <v-text-field v-model="name" label="Sign-in name" autocomplete="username" :autofocus="!name" />
        <v-text-field
          v-model="password"
          type="password"
          label="Password"
          autocomplete="current-password"
          :autofocus="!!name" />
        <p class="acts"><v-btn
          type="submit"
          color="primary"
          :loading="busy"
          :disabled="!name || !password">Sign in, and save it</v-btn><v-btn
            variant="text"
            @click="signedIn(false)">Not now</v-btn></p>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
}
.acts {
  margin: 4px 0 0;
}
</style>
