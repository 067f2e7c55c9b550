import { useEventListener, useIntervalFn } from '@vueuse/core'
import { onScopeDispose } from 'vue'
import type { Answer } from './answers'
import { api } from './client'
import { page } from './page'

type Marks = Answer<'since', 'get'>
/** What a page shows may follow from what was decided, recorded, printed or given to people, and who is where. */
export type Mark = keyof Marks

interface Listening {
  of: Mark[]
  /** ms between two times that it looks again, at least: of a shop where somebody always records. */
  every: number
  /** Looks again. False: not now; it is asked once more. */
  changed: () => unknown
  /** The server is away. */
  failed?: (error: unknown) => void
}

/** ms between two questions whether anything is new. */
const EVERY = 4000
const listening = new Map<Listening, { seen: Marks | null; at: number }>()
let known: Marks | null = null
let asking = false

function hear(now: Marks) {
  for (const [each, state] of listening) {
    const isNew = !state.seen || each.of.some(mark => state.seen![mark] !== now[mark])
    // Asked a little early, it would wait another round.
    if (!isNew || Date.now() - state.at < each.every - EVERY / 2) continue
    if (each.changed() === false) continue
    listening.set(each, { seen: now, at: Date.now() })
  }
}

async function look() {
  if (!page.value || document.hidden || asking) return
  asking = true
  try {
    known = await api.get('since')
    hear(known)
  } catch (error) {
    for (const each of listening.keys()) each.failed?.(error)
  } finally {
    asking = false
  }
}

/** One question for the whole page; once in it. */
export function useAsking() {
  useIntervalFn(look, EVERY, { immediateCallback: true })
  useEventListener(document, 'visibilitychange', () => {
    void look()
  })
}

/** Looks again when something is new. Who looked before anything was known of it looks once more. */
export function useLive(of: Mark[], every: number, changed: () => unknown, failed?: (error: unknown) => void) {
  const own = { of, every, changed, failed }
  listening.set(own, { seen: known, at: known ? Date.now() : 0 })
  onScopeDispose(() => listening.delete(own))
}
