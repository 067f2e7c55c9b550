import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, ApiError } from '../client'
import { address, page } from '../page'
import { useSession } from '../session'
import type { InstallationRef } from '../types'
import { isEarlier, shelf } from './device'
import { inTurn } from './turn'
import { sent, type Waiting } from './waiting'

export type { Waiting } from './waiting'

/** ms between two new tokens. */
const RENEWED = 3000
interface Listener {
  sent?: (item: Waiting, answer: unknown) => void
  refused?: (item: Waiting, error: ApiError) => boolean
}
/** What tabs of this device tell each other: that the list is another one, and what the server has taken. */
interface Told {
  taken?: string
  answer?: unknown
}

/**
 * What was recorded without a network, in the order in which it was done.
 * Each item has the id of its record, so that sending it twice is the same
 * record. It leaves this list when the server has acknowledged it, or when
 * somebody throws away what the server refused; never otherwise.
 */
export const useOutbox = defineStore('outbox', () => {
  const stored = shallowRef<Waiting[]>([])
  /** Of this page, and not yet written down on the device, or not to be written down at all. */
  const unwritten = shallowRef<Waiting[]>([])
  const items = computed(() => [
    ...stored.value,
    ...unwritten.value.filter(item => !stored.value.some(each => each.id === item.id)),
  ])
  const offline = ref(false)
  /** The session has run out, or is somebody else's: what waits goes on waiting until its person signs in. */
  const signedOut = ref(false)
  /** The browser lets nothing be kept on this device: what waits is lost with the page. */
  const forgetful = ref(false)
  const listeners = new Map<string, Listener>()
  const session = useSession()
  const tabs = 'BroadcastChannel' in window ? new BroadcastChannel('sartal.outbox') : null
  /** What the server has, whatever the device still says of it. */
  const taken = new Set<string>()
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

  async function read() {
    try {
      stored.value = (await shelf.all()).filter(item => !taken.has(item.id))
      unwritten.value = unwritten.value.filter(item => !stored.value.some(each => each.id === item.id))
    } catch {
      forgetful.value = true
    }
  }
  /** A change on the device, which the other tabs are told of; whether it is written down. */
  async function write(change: () => Promise<void>, told: Told = {}): Promise<boolean> {
    const written = await change().then(
      () => true,
      () => false,
    )
    forgetful.value = !written
    await read()
    tabs?.postMessage(told)
    return written
  }
  tabs?.addEventListener('message', ({ data }: MessageEvent<Told>) => {
    const item = items.value.find(each => each.id === data.taken)
    if (item && ofPage(item)) listeners.get(item.path)?.sent?.(item, data.answer ?? {})
    void read()
  })
  async function begin() {
    await shelf.takeOver().catch(() => undefined)
    await read()
    await flush()
  }
  window.addEventListener('storage', event => {
    if (isEarlier(event.key)) void begin()
  })

  async function add(path: string, record: Record<string, unknown> & { id: string }, words: string, picture?: Blob) {
    const person = session.session.person
    const item: Waiting = {
      id: record.id,
      path,
      // As it is now: what a page goes on changing is another record.
      body: JSON.parse(JSON.stringify(record)) as Record<string, unknown>,
      ...(picture ? { picture } : {}),
      // What this device read last may be of an earlier version, which gave no id.
      who: person?.id ?? person?.signIn ?? '',
      name: person?.name ?? '',
      words,
      at: new Date().toISOString(),
      of: page.value ?? undefined,
    }
    unwritten.value = [...unwritten.value, item]
    await write(() => shelf.add(item))
    await flush()
  }
  async function change(id: string, to: Partial<Waiting>) {
    const changed = (item: Waiting) => (item.id === id ? { ...item, ...to } : item)
    // Here at once: what is written down is read again later.
    stored.value = stored.value.map(changed)
    unwritten.value = unwritten.value.map(changed)
    return write(() => shelf.change(id, to))
  }
  /** Says of which installation a record is that does not say so itself. */
  async function place(id: string, { id: row, key, name, address }: InstallationRef) {
    await change(id, { of: { id: row, key, name, address } })
    await flush()
  }
  // Where there is one only, it can be of no other; pages of the first version knew it by its file's name.
  const placed = new Set<string>()
  watch(
    [unplaced, () => session.session.installations],
    ([left, known]) => {
      for (const item of left.filter(each => !placed.has(each.id))) {
        const own = item.of
          ? known?.find(each => each.key === item.of!.key)
          : known?.length === 1
            ? known[0]
            : undefined
        if (!own) continue
        placed.add(item.id)
        void place(item.id, own)
      }
    },
    { immediate: true },
  )
  async function drop(id: string, told: Told = {}) {
    const stays = (item: Waiting) => item.id !== id
    stored.value = stored.value.filter(stays)
    unwritten.value = unwritten.value.filter(stays)
    return write(() => shelf.drop(id), told)
  }
  async function retry(id: string) {
    await change(id, { refused: undefined })
    await flush()
  }

  async function flush(): Promise<void> {
    if (sending) return
    sending = true
    try {
      while (mine.value.length) {
        const goesOn = await inTurn(async () => {
          // Another tab may have sent it meanwhile.
          await read()
          return mine.value[0] ? send(mine.value[0]) : true
        })
        if (!goesOn) return
      }
    } finally {
      sending = false
    }
  }

  /** Whether the next one may be sent. */
  async function send(item: Waiting): Promise<boolean> {
    try {
      const answer = await api.record(item.path, sent(item), item.of!.address!, item.who)
      offline.value = signedOut.value = false
      if (ofPage(item)) listeners.get(item.path)?.sent?.(item, answer)
      taken.add(item.id)
      await drop(item.id, { taken: item.id, answer })
      return true
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      offline.value = error.status === 0 || error.status >= 500
      signedOut.value = error.status === 401 || error.body.somebodyElse !== undefined
      // What says that it belongs elsewhere waits as well: it is not for this page to throw it away.
      if (offline.value || signedOut.value || error.status === 429 || error.body.elsewhere) return false
      if (error.status === 419) return await renewed()
      // Refused: it stays here with the reason, unless the page that recorded it deals with it.
      const dealtWith = ofPage(item) && listeners.get(item.path)?.refused?.(item, error) === true
      return await (dealtWith ? drop(item.id) : change(item.id, { refused: error.message }))
    }
  }

  /**
   * The page's token was out of date: asking who is signed in brings a new one, or that nobody is. Only once: what
   * fails twice waits.
   */
  async function renewed(): Promise<boolean> {
    if (Date.now() - lastRenewed < RENEWED) return false
    lastRenewed = Date.now()
    const now = await api.get('session').catch(() => null)
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
  void begin()

  return {
    items,
    isMine,
    mine,
    unplaced,
    others,
    refused,
    offline,
    signedOut,
    forgetful,
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
