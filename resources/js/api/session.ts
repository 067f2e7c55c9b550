import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api } from './client'
import { page, told } from './page'
import type { Role, Session } from './types'

/** Who is signed in, and which installation is open. */
export const useSession = defineStore('session', () => {
  const session = ref<Session>({ person: null })
  const known = ref(false)

  function begin(now: Session) {
    session.value = now
    page.value = now.open ?? null
    told(null)
    known.value = true
  }
  async function load() {
    begin(await api.get<Session>('session'))
  }
  async function signIn(name: string, password: string) {
    begin(await api.post<Session>('session', { signIn: name, password }))
  }
  async function signOut() {
    begin(await api.delete<Session>('session'))
    // The next one on this device reads nothing of this one's.
    if ('caches' in window) await caches.delete('sartal-read')
  }
  /** Another one is another page: whoever calls this loads it. */
  async function open(id: number) {
    await api.post<Session>(`installations/${id}/open`)
  }
  /** This page's own again, after another was opened in this browser. */
  async function reopen() {
    const mine = session.value.installations?.find(each => each.key === page.value?.key)
    if (!mine) return
    await api.post<Session>(`installations/${mine.id}/open`)
    told(null)
  }
  const can = (...roles: Role[]) => roles.some(role => session.value.person?.roles.includes(role))
  const plans = computed(() => can('planner', 'lead'))
  const tests = computed(() => can('tester', 'lead'))

  return { session, known, load, signIn, signOut, open, reopen, can, plans, tests }
})
