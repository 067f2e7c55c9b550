import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api } from './client'
import { moveKept } from './moved'
import { address, page, person } from './page'
import { READ } from './read'
import type { Office, Role, Session } from './types'

/** Who is signed in, and which of their installations this page is of. */
export const useSession = defineStore('session', () => {
  const session = ref<Session>({ person: null, demo: null })
  const known = ref(false)
  const asked = `session${address ? `?at=${address}` : ''}`

  async function begin(now: Session) {
    if (now.installations?.length) await moveKept(now.installations).catch(() => undefined)
    session.value = now
    page.value = (address && now.open) || null
    person.value = now.person?.id ?? ''
    known.value = true
    // So that the next page without an address leads back here.
    if (page.value) void api.put('last', {}).catch(() => undefined)
  }
  async function load() {
    await begin(await api.get(asked))
  }
  async function signIn(name: string, password: string) {
    await begin(await api.post(asked, { signIn: name, password }))
  }
  async function signOut() {
    await begin(await api.delete('session'))
    // The next one on this device reads nothing of this one's.
    if ('caches' in window) await caches.delete(READ)
  }
  const can = (...roles: Role[]) => roles.some(role => session.value.person?.roles.includes(role))
  const looksAfter = (office: Office) => session.value.person?.offices?.includes(office) ?? false
  const plans = computed(() => can('planner', 'lead'))
  const tests = computed(() => can('tester', 'lead'))

  return { session, known, load, signIn, signOut, can, looksAfter, plans, tests }
})
