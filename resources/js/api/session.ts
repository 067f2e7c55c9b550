import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api } from './client'
import type { Role, Session } from './types'

/** Who is signed in, and which installation is open. */
export const useSession = defineStore('session', () => {
  const session = ref<Session>({ person: null })
  const known = ref(false)

  async function load() {
    session.value = await api.get<Session>('session')
    known.value = true
  }
  async function signIn(name: string, password: string) {
    session.value = await api.post<Session>('session', { signIn: name, password })
    known.value = true
  }
  async function signOut() {
    session.value = await api.delete<Session>('session')
    // The next one on this device reads nothing of this one's.
    if ('caches' in window) await caches.delete('sartal-read')
  }
  async function open(id: number) {
    session.value = await api.post<Session>(`installations/${id}/open`)
  }
  const can = (...roles: Role[]) => roles.some(role => session.value.person?.roles.includes(role))
  const plans = computed(() => can('planner', 'lead'))
  const tests = computed(() => can('tester', 'lead'))

  return { session, known, load, signIn, signOut, open, can, plans, tests }
})
