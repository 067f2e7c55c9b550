<script setup lang="ts">
import type { Schemas } from '../api/types'
import { onMounted, ref } from 'vue'
import { api, ApiError } from '../api/client'
import { useAttempt } from '../ui/attempt'

/** Whoever was invited, or has forgotten their password, sets one here. */
const props = defineProps<{ token: string }>()
type Invited = Schemas['InvitationPage']
const { problem, busy, attempt } = useAttempt()
const invited = ref<Invited | null>(null)
const signIn = ref('')
const password = ref('')
const again = ref('')
const over = ref('')
onMounted(async () => {
  try {
    invited.value = await api.get(`invitations/${encodeURIComponent(props.token)}`)
    signIn.value = invited.value.signIn ?? ''
  } catch (error) {
    over.value = error instanceof ApiError ? error.message : String(error)
  }
})
const enter = () =>
  attempt(async () => {
    if (password.value !== again.value) {
      problem.value = 'The two passwords are not the same. Write the second one once more.'
      return
    }
    await api.post(`invitations/${encodeURIComponent(props.token)}`, {
      signIn: signIn.value,
      password: password.value,
    })
    // From the beginning: what this page knew of who is here is over.
    window.location.assign('/')
  })
</script>

<template>
  <main class="door">
    <div v-if="over" class="over">
      <h1>This link leads nowhere any more</h1>
      <p>{{ over }}</p>
      <p><a href="/sign-in">To the sign-in</a></p>
    </div>
    <form v-else-if="invited" @submit.prevent="enter">
      <h1>{{ invited.name }}, come in</h1>
      <p class="quiet">{{ invited.organisation }} works with Sartal. Nobody else ever sees your password.</p>
      <v-text-field
        v-model="signIn"
        label="Sign-in name"
        autocomplete="username"
        autocapitalize="off"
        :readonly="!invited.chooses" />
      <v-text-field
        v-model="password"
        label="Password"
        type="password"
        autocomplete="new-password" />
      <p class="quiet">At least {{ invited.least }} characters; three or four words do well.</p>
      <v-text-field v-model="again" label="The same once more" type="password" autocomplete="new-password" />
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <v-btn
        type="submit"
        color="primary"
        block
        :loading="busy"
        :disabled="!signIn || !password || !again">Set it, and sign in</v-btn>
    </form>
    <v-progress-circular v-else indeterminate color="primary" aria-label="Loading" />
  </main>
</template>

<style scoped>
.door {
  min-height: 100dvh;
  display: grid;
  place-items: center;
  padding: 16px;
}
form,
.over {
  width: min(340px, 100%);
  display: grid;
  gap: 12px;
}
h1 {
  font-size: 22px;
}
p {
  margin: 0;
}
</style>
