import { shallowRef, watch, type Ref } from 'vue'
import { kept, person } from '../api/page'

/** What somebody typed and neither saved nor threw away: when, and on which version of what it is of. */
export interface Left<T> {
  at: string
  typed: T
  version: number
}

function read<T>(key: string): Left<T>[] {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '[]') as Left<T>[]
  } catch {
    return []
  }
}
function write<T>(key: string, all: Left<T>[]) {
  try {
    if (all.length) localStorage.setItem(key, JSON.stringify(all))
    else localStorage.removeItem(key)
  } catch {
    // A device that keeps nothing has the page alone.
  }
}

/**
 * Keeps on this device what is typed into a form until it is saved, for whoever types it: Esc, another row, another
 * page or a closed tab lose nothing. The next time it is offered, and never taken by itself.
 */
export function useTyped<T extends object>(
  name: string,
  typed: () => T,
  put: (typed: T) => void,
  version?: Ref<number>,
) {
  const key = kept(`typed.${person.value}.${name}`)
  const left = shallowRef<Left<T> | null>(read<T>(key)[0] ?? null)
  /** As the form stood before anybody typed; null as long as it is being filled. */
  let untouched: string | null = null
  const begin = () => {
    untouched = JSON.stringify(typed())
  }
  const before = () => (left.value ? [left.value] : [])
  watch(
    () => JSON.stringify(typed()),
    now => {
      if (untouched === null) return
      const own = { at: new Date().toISOString(), typed: JSON.parse(now) as T, version: version?.value ?? 0 }
      write(key, now === untouched ? before() : [own, ...before()])
    },
  )
  function take() {
    if (!left.value) return
    if (version) version.value = left.value.version
    put(left.value.typed)
    left.value = null
  }
  function drop() {
    left.value = null
    write(key, [])
  }
  /** It is saved: what was left before, and not taken, stays. */
  function saved() {
    untouched = null
    write(key, before())
  }
  return { left, begin, take, drop, saved }
}
