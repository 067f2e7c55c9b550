<script setup lang="ts">
import type { Schemas } from '../api/types'
import { onMounted, ref } from 'vue'
import { api } from '../api/client'
import { useSession } from '../api/session'
import { useAttempt } from '../ui/attempt'
import { when } from '../ui/dates'

/** One's own name, password, and where one is signed in. */
type Device = Schemas['DevicesPage']['devices'][number]
const session = useSession()
const name = ref(session.session.person?.name ?? '')
const current = ref('')
const password = ref('')
const again = ref('')
const devices = ref<Device[]>([])
const naming = useAttempt()
const word = useAttempt()
const signed = useAttempt()
const look = () =>
  signed.attempt(async () => {
    devices.value = (await api.get('session/devices')).devices
  })
onMounted(look)
const rename = () =>
  naming.attempt(async () => {
    await api.put('session/name', { name: name.value })
    await session.load()
  }, 'Saved. Records show it from now on, earlier ones too.')
const change = () =>
  word.attempt(async () => {
    word.said.value = ''
    if (password.value !== again.value) {
      word.problem.value = 'The two new passwords are not the same. Write the second one once more.'
      return
    }
    await api.put('session/password', { current: current.value, password: password.value })
    current.value = password.value = again.value = ''
    word.said.value = 'Changed. You are signed out everywhere else.'
    await look()
  })
const end = (device: Device) =>
  signed.attempt(async () => {
    devices.value = (await api.delete(`session/devices/${device.id}`)).devices
  })
</script>

<template>
  <main class="account">
    <h1>Your account</h1>
    <p class="quiet">{{ session.session.person?.signIn }} · {{ session.session.person?.organisation }}</p>
    <section aria-labelledby="own-name">
      <h2 id="own-name">Name</h2>
      <form @submit.prevent="rename">
        <v-text-field v-model="name" label="What you are called" maxlength="120" autocomplete="name" />
        <v-btn type="submit" variant="outlined" color="primary" :loading="naming.busy.value">Save</v-btn>
        <p v-if="naming.problem.value" class="note failed" role="alert">{{ naming.problem.value }}</p>
        <p v-else-if="naming.said.value" class="quiet" role="status">{{ naming.said.value }}</p>
      </form>
    </section>
    <section aria-labelledby="own-word">
      <h2 id="own-word">Password</h2>
      <form @submit.prevent="change">
        <v-text-field v-model="current" label="The one you have now" type="password" autocomplete="current-password" />
        <v-text-field
          v-model="password"
          label="The new one"
          type="password"
          autocomplete="new-password" />
        <p class="quiet">At least 12 characters; three or four words do well.</p>
        <v-text-field v-model="again" label="The new one once more" type="password" autocomplete="new-password" />
        <v-btn
          type="submit"
          variant="outlined"
          color="primary"
          :loading="word.busy.value"
          :disabled="!current || !password || !again">Change it</v-btn>
        <p v-if="word.problem.value" class="note failed" role="alert">{{ word.problem.value }}</p>
        <p v-else-if="word.said.value" class="quiet" role="status">{{ word.said.value }}</p>
      </form>
    </section>
    <section aria-labelledby="own-devices">
      <h2 id="own-devices">Where you are signed in</h2>
      <p v-if="signed.problem.value" class="note failed" role="alert">{{ signed.problem.value }}</p>
      <ul>
        <li v-for="device in devices" :key="device.id">
          <span><b>{{ device.kind }}</b><template v-if="device.here"> · this one</template>
            <small>{{ device.address }} · {{ when(device.seen) }}</small></span>
          <v-btn v-if="!device.here" size="small" variant="outlined" @click="end(device)">Sign out there</v-btn>
        </li>
      </ul>
    </section>
    <p class="quiet">Other programs may ask and send what you may: <a href="/api/docs">the contract</a>.</p>
  </main>
</template>

<style scoped>
.account {
  height: 100%;
  overflow: auto;
  padding: 16px 20px 40px;
}
h1 {
  font-size: 20px;
}
section {
  max-width: 420px;
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
form p {
  margin: 0;
}
form > .v-input {
  width: 100%;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
small {
  display: block;
  color: var(--slate);
}
</style>
