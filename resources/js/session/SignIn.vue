<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, saying } from '../api/client'
import { useSession } from '../api/session'

const session = useSession()
const router = useRouter()
const route = useRoute()
const name = ref('')
const password = ref('')
const problem = ref('')
const busy = ref(false)
const first = ref<HTMLInputElement | null>(null)
// At once: a field that takes the focus a moment later takes what is typed into the next one.
onMounted(() => first.value?.focus())

/** Of a demo: people whom one can be, without looking up how. */
const demo = ref(session.session.demo ?? null)
onMounted(async () => {
  // Who was signed in when the page began was told nothing of it.
  const now = demo.value ? null : await api.get('session').catch(() => null)
  if (now && 'demo' in now) demo.value = now.demo
})
const as = (signIn: string) => {
  name.value = signIn
  password.value = demo.value?.password ?? ''
  return enter()
}
async function enter() {
  busy.value = true
  problem.value = ''
  try {
    await session.signIn(name.value, password.value)
    const to = String(route.query.to ?? '/')
    await router.push(to.startsWith('/') && !to.startsWith('//') ? to : '/')
  } catch (error) {
    problem.value = saying(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="door">
    <form @submit.prevent="enter">
      <svg width="300" height="70" viewBox="0 0 300 70" aria-hidden="true">
        <path d="M2 12Q150 96 298 12" fill="none" stroke="#22302f" stroke-width="1.4" />
        <circle cx="40" cy="31" r="8" fill="#1f6f63" /><circle cx="95" cy="48" r="8" fill="#b4622d" /><circle
          cx="150"
          cy="54"
          r="8"
          fill="#22302f" /><circle
            cx="205"
            cy="48"
            r="8"
            fill="none"
            stroke="#8d9995"
            stroke-width="2" /><circle cx="260" cy="31" r="8" fill="none" stroke="#8d9995" stroke-width="2" />
      </svg>
      <h1>Sartal</h1>
      <label>Sign-in name<input ref="first" v-model="name" autocomplete="username" autocapitalize="off"></label>
      <label>Password<input v-model="password" type="password" autocomplete="current-password"></label>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <v-btn type="submit" color="primary" block :loading="busy">Sign in</v-btn>
      <section v-if="demo" aria-labelledby="demo">
        <h2 id="demo">This is the demo. Look around as</h2>
        <ul>
          <li v-for="person in demo.people" :key="person.signIn">
            <v-btn variant="outlined" color="primary" block :disabled="busy" @click="as(person.signIn)">
              {{ person.name }}<small>{{ person.roles.join(', ') }}</small></v-btn>
          </li>
        </ul>
        <p>All of them have the password <b class="mono">{{ demo.password }}</b>. Whoever changes theirs is not named
          here any more.</p>
      </section>
    </form>
  </main>
</template>

<style scoped>
.door {
  min-height: 100dvh;
  display: grid;
  place-items: center;
}
form {
  width: 300px;
  display: grid;
  gap: 12px;
}
label {
  display: grid;
  gap: 2px;
  font-size: 12.5px;
  color: var(--slate);
}
input {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 9px 12px;
  min-height: 44px;
  background: var(--surface);
  color: var(--ink);
  font: 16px var(--sans);
}
.v-btn {
  min-height: 44px;
}
input:focus-visible {
  outline: 2px solid var(--copper);
}
section {
  margin-top: 16px;
  padding-top: 12px;
  border-top: 1px solid var(--line);
  font-size: 13px;
}
h2 {
  margin: 0 0 8px;
  font-size: 13px;
}
ul {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
  display: grid;
  gap: 6px;
}
li .v-btn {
  min-height: 48px;
}
li small {
  margin-left: 8px;
  font-weight: 400;
}
h1 {
  font-size: 26px;
  text-align: center;
  margin-bottom: 8px;
}
</style>
