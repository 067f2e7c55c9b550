import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { api, ApiError } from './client'
import { address, kept, page } from './page'
import { useSession } from './session'
import type { InstallationRef, Session } from './types'

/**
 * One thing that was recorded here and the server has not heard of yet. `of`: the installation whose page it was
 * recorded on.
 */
export interface Waiting {
  id: string
  path: string
  body: Record<string, unknown>
  who: string
  name: string
  words: string
  at: string
  refused?: string
  of?: Omit<InstallationRef, 'address'> & { address?: string }
}
/** ms between two new tokens. */
const RENEWED = 3000
/** Records of a run, and runs, that a device remembers having worked on. */
const KNOWN = 12
const RUNS = 200
interface Listener {
  sent?: (item: Waiting, answer: unknown) => void
  refused?: (item: Waiting, error: ApiError) => boolean
}

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

  /** Earlier versions wrote down the sign-in name. */
  const isMine = (item: Waiting) => {
    const person = session.session.person
    return person !== null && item.who !== '' && (item.who === person.id || item.who === person.signIn)
  }
  const own = computed(() => items.value.filter(item => !item.refused && isMine(item)))
  /** What is sent from this page: of its person, each to the installation that it was recorded on. */
  const mine = computed(() => own.value.filter(item => item.of?.address))
  /** Recorded before a record said of which installation it is, by somebody who has several. */
  const unplaced = computed(() => own.value.filter(item => !item.of?.address))
  const others = computed(() => items.value.filter(item => !item.refused && !isMine(item)))
  const refused = computed(() => items.value.filter(item => item.refused))
  const ofPage = (item: Waiting) => item.of?.address === address
  const of = (path: string) => items.value.filter(item => item.path === path && !item.refused && ofPage(item))

  /**
   * What this device recorded on a run since the server last said what there is: whatever is recorded next was done on
   * that as well, though the page has not heard of it yet.
   */
  const did = useLocalStorage<Record<string, string[]>>(() => kept('did'), {})
  function knowing(body: Record<string, unknown> & { id: string }) {
    const run = typeof body.run === 'string' ? body.run : ''
    const before = did.value[run] ?? []
    if (run)
      did.value = Object.fromEntries(
        Object.entries({ ...did.value, [run]: [...before, body.id].slice(-KNOWN) }).slice(-RUNS),
      )
    return Array.isArray(body.on) ? { ...body, on: [...new Set([...(body.on as string[]), ...before])] } : body
  }

  function add(path: string, record: Record<string, unknown> & { id: string }, words: string) {
    const person = session.session.person
    const body = path === 'events' ? knowing(record) : record
    items.value = [
      ...items.value,
      {
        id: body.id,
        path,
        body,
        // What this device read last may be of an earlier version, which gave no id.
        who: person?.id ?? person?.signIn ?? '',
        name: person?.name ?? '',
        words,
        at: new Date().toISOString(),
        of: page.value ?? undefined,
      },
    ]
    return flush()
  }
  /** Says of which installation a record is that does not say so itself. */
  function place(id: string, installation: InstallationRef) {
    items.value = items.value.map(item => (item.id === id ? { ...item, of: installation } : item))
    return flush()
  }
  // Where there is one only, it can be of no other; pages of the first version knew it by its file's name.
  watch(
    [unplaced, () => session.session.installations],
    ([left, known]) => {
      for (const item of left) {
        const own = item.of
          ? known?.find(each => each.key === item.of!.key)
          : known?.length === 1
            ? known[0]
            : undefined
        if (own) void place(item.id, own)
      }
    },
    { immediate: true },
  )
  const drop = (id: string) => {
    items.value = items.value.filter(item => item.id !== id)
  }
  const retry = (id: string) => {
    items.value = items.value.map(item => (item.id === id ? { ...item, refused: undefined } : item))
    return flush()
  }

  async function flush(): Promise<void> {
    if (sending) return
    sending = true
    try {
      for (let item = mine.value[0]; item; item = mine.value[0]) if (!(await send(item))) return
    } finally {
      sending = false
    }
  }

  /** Whether the next one may be sent. */
  async function send(item: Waiting): Promise<boolean> {
    try {
      const answer = await api.record(item.path, item.body, item.of!.address!)
      offline.value = signedOut.value = false
      if (ofPage(item)) listeners.get(item.path)?.sent?.(item, answer)
      drop(item.id)
      return true
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      offline.value = error.status === 0 || error.status >= 500
      signedOut.value = error.status === 401
      // What says that it belongs elsewhere waits as well: it is not for this page to throw it away.
      if (offline.value || signedOut.value || error.status === 429 || error.body.elsewhere) return false
      if (error.status === 419) return await renewed()
      // Refused: it stays here with the reason, unless the page that recorded it deals with it.
      if (ofPage(item) && listeners.get(item.path)?.refused?.(item, error)) drop(item.id)
      else items.value = items.value.map(each => (each.id === item.id ? { ...each, refused: error.message } : each))
      return true
    }
  }

  /**
   * The page's token was out of date: asking who is signed in brings a new one, or that nobody is. Only once: what
   * fails twice waits.
   */
  async function renewed(): Promise<boolean> {
    if (Date.now() - lastRenewed < RENEWED) return false
    lastRenewed = Date.now()
    const now = await api.get<Session>('session').catch(() => null)
    signedOut.value = now !== null && now.person === null
    return now?.person?.id === session.session.person?.id
  }

  /** Whether the server is there again. What is read may come from this device; a HEAD never does. */
  async function knock() {
    const there = await fetch('/mark.svg', { method: 'HEAD', cache: 'no-store' }).then(
      answer => answer.ok,
      () => false,
    )
    offline.value = !there
    if (there) await flush()
  }

  /** A page that wants to hear what became of its own records. */
  function listen(path: string, listener: Listener) {
    listeners.set(path, listener)
    return () => {
      if (listeners.get(path) === listener) listeners.delete(path)
    }
  }

  return {
    items,
    isMine,
    mine,
    unplaced,
    others,
    refused,
    offline,
    signedOut,
    of,
    add,
    place,
    drop,
    retry,
    flush,
    knock,
    listen,
  }
})
