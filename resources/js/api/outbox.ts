import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api, ApiError } from './client'
import { useSession } from './session'
import type { Session } from './types'

/** One thing that was recorded here and the server has not heard of yet. */
export interface Waiting { id: string, path: string, body: Record<string, unknown>, who: string, name: string, words: string, at: string, refused?: string }
/** ms between two new tokens. */
const RENEWED = 3000
interface Listener { sent?: (item: Waiting, answer: unknown) => void, refused?: (item: Waiting, error: ApiError) => boolean }

/**
 * What was recorded without a network, in the order in which it was done.
 * Each item has the id of its record, so that sending it twice is the same
 * record. It leaves this list when the server has acknowledged it, or when
 * somebody throws away what the server refused; never otherwise.
 */
export const useOutbox = defineStore('outbox', () => {
  const items = useLocalStorage<Waiting[]>('sartal.outbox', [])
  const offline = ref(false)
  /** The session has run out: what waits goes on waiting until somebody signs in. */
  const signedOut = ref(false)
  const listeners = new Map<string, Listener>()
  const session = useSession()
  let sending = false
  let lastRenewed = 0

  const mine = computed(() => items.value.filter(item => !item.refused && item.who === session.session.person?.signIn))
  const others = computed(() => items.value.filter(item => !item.refused && item.who !== session.session.person?.signIn))
  const refused = computed(() => items.value.filter(item => item.refused))
  const of = (path: string) => items.value.filter(item => item.path === path && !item.refused)

  function add(path: string, body: Record<string, unknown> & { id: string }, words: string) {
    const person = session.session.person
    items.value = [...items.value, { id: body.id, path, body, who: person?.signIn ?? '', name: person?.name ?? '', words, at: new Date().toISOString() }]
    return flush()
  }
  const drop = (id: string) => { items.value = items.value.filter(item => item.id !== id) }
  const retry = (id: string) => { items.value = items.value.map(item => item.id === id ? { ...item, refused: undefined } : item); return flush() }

  async function flush(): Promise<void> {
    if (sending) return
    sending = true
    try {
      for (let item = mine.value[0]; item; item = mine.value[0]) if (!await send(item)) return
    } finally {
      sending = false
    }
  }

  /** Whether the next one may be sent. */
  async function send(item: Waiting): Promise<boolean> {
    try {
      const answer = await api.post(item.path, item.body)
      offline.value = signedOut.value = false
      listeners.get(item.path)?.sent?.(item, answer)
      drop(item.id)
      return true
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      offline.value = error.status === 0 || error.status >= 500
      signedOut.value = error.status === 401
      if (offline.value || signedOut.value || error.status === 429) return false
      if (error.status === 419) return await renewed()
      // Refused: it stays here with the reason, unless the page that recorded it deals with it.
      if (listeners.get(item.path)?.refused?.(item, error)) drop(item.id)
      else items.value = items.value.map(each => each.id === item.id ? { ...each, refused: error.message } : each)
      return true
    }
  }

  /** The page's token was out of date: asking who is signed in brings a new one, or that nobody is. Only once: what fails twice waits. */
  async function renewed(): Promise<boolean> {
    if (Date.now() - lastRenewed < RENEWED) return false
    lastRenewed = Date.now()
    const now = await api.get<Session>('session').catch(() => null)
    signedOut.value = now !== null && now.person === null
    return now?.person?.signIn === session.session.person?.signIn
  }

  /** Whether the server is there again. What is read may come from this device; a HEAD never does. */
  async function knock() {
    const there = await fetch('/mark.svg', { method: 'HEAD', cache: 'no-store' }).then(answer => answer.ok, () => false)
    offline.value = !there
    if (there) await flush()
  }

  /** A page that wants to hear what became of its own records. */
  function listen(path: string, listener: Listener) {
    listeners.set(path, listener)
    return () => { if (listeners.get(path) === listener) listeners.delete(path) }
  }

  return { items, mine, others, refused, offline, signedOut, of, add, drop, retry, flush, knock, listen }
})
