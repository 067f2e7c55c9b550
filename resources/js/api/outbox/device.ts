import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Waiting } from './waiting'

/** Records of a run, and records in all, that a device remembers having sent. */
const KNOWN = 12
const ALL = 2400
/** Where versions before kept the list and what was done, each as one text that the last to write it won. */
const EARLIER = 'sartal.outbox'
const EARLIER_DID = /^sartal\.([^.]+)\.did$/

interface Done {
  of: string
  run: string
  id: string
}
interface Device extends DBSchema {
  waiting: { key: number; value: Waiting; indexes: { id: string } }
  did: { key: number; value: Done; indexes: { run: [string, string]; id: string } }
}

let opened: Promise<IDBPDatabase<Device>> | null = null
const device = () =>
  (opened ??= openDB<Device>('sartal', 1, {
    upgrade(db) {
      // By numbers that grow: the order in which things were done, whichever tab did them.
      db.createObjectStore('waiting', { autoIncrement: true }).createIndex('id', 'id', { unique: true })
      const did = db.createObjectStore('did', { autoIncrement: true })
      did.createIndex('run', ['of', 'run'])
      did.createIndex('id', 'id', { unique: true })
    },
    // A later version in another tab: this one lets go, and opens it again when it needs it.
    blocking(_was, _is, event) {
      ;(event.target as IDBDatabase).close()
      opened = null
    },
    terminated() {
      opened = null
    },
  }).catch((error: unknown) => {
    opened = null
    throw error
  }))

const runOf = (item: Waiting) =>
  item.path === 'events' && typeof item.body.run === 'string' && item.of?.address
    ? { of: item.of.address, run: item.body.run }
    : null

/**
 * What waits on this device, each thing in a row of its own, so that two tabs which write in the same instant lose
 * neither.
 */
export const shelf = {
  all: async (): Promise<Waiting[]> => (await device()).getAll('waiting'),

  /**
   * With what this device did on the same run since the server last said what there is: this was done on that as well,
   * though the page has not heard of it yet.
   */
  async add(item: Waiting): Promise<void> {
    const change = (await device()).transaction(['waiting', 'did'], 'readwrite')
    const [waiting, did] = [change.objectStore('waiting'), change.objectStore('did')]
    if ((await waiting.index('id').getKey(item.id)) === undefined) {
      const run = runOf(item)
      const before = run ? await did.index('run').getAll([run.of, run.run]) : []
      const on = Array.isArray(item.body.on)
        ? { on: [...new Set([...(item.body.on as string[]), ...before.map(each => each.id)])] }
        : {}
      await waiting.add({ ...item, body: { ...item.body, ...on } })
      if (run && (await did.index('id').getKey(item.id)) === undefined) await did.add({ ...run, id: item.id })
      const keys = run ? await did.index('run').getAllKeys([run.of, run.run]) : []
      for (const key of keys.slice(0, -KNOWN)) await did.delete(key)
      const old = (await did.count()) - ALL
      if (old > 0) for (const key of await did.getAllKeys(undefined, old)) await did.delete(key)
    }
    await change.done
  },

  async change(id: string, to: Partial<Waiting>): Promise<void> {
    const change = (await device()).transaction('waiting', 'readwrite')
    const key = await change.store.index('id').getKey(id)
    const item = key === undefined ? undefined : await change.store.get(key)
    if (item) await change.store.put({ ...item, ...to }, key)
    await change.done
  },

  async drop(id: string): Promise<void> {
    const change = (await device()).transaction('waiting', 'readwrite')
    const key = await change.store.index('id').getKey(id)
    if (key !== undefined) await change.store.delete(key)
    await change.done
  },

  /** What a page of an earlier version has left, or leaves while it is still open beside this one. */
  async takeOver(): Promise<void> {
    for (const name of Object.keys(localStorage)) {
      const of = EARLIER_DID.exec(name)?.[1]
      if (name !== EARLIER && of === undefined) continue
      const text = localStorage.getItem(name) ?? ''
      if (of === undefined) for (const item of items(text)) await this.add(item)
      else await remember(of, text)
      // Written meanwhile by the other page: what is new in it is read by the event that tells so.
      if (localStorage.getItem(name) === text) localStorage.removeItem(name)
    }
  },
}

function items(text: string): Waiting[] {
  const found = parsed(text)
  return Array.isArray(found) ? (found as Waiting[]).filter(item => typeof item.id === 'string') : []
}
function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    // Cut short by a full disk: there is nothing in it that could be read.
    return null
  }
}
async function remember(of: string, text: string) {
  const change = (await device()).transaction('did', 'readwrite')
  for (const [run, ids] of Object.entries((parsed(text) ?? {}) as Record<string, string[]>))
    for (const id of ids)
      if ((await change.store.index('id').getKey(id)) === undefined) await change.store.add({ of, run, id })
  await change.done
}
export const isEarlier = (name: string | null) => name === EARLIER
