import { file } from './page'
import { READ } from './read'

/** What was told of many things since all of them were read, by id; null: it is gone. */
export interface Lately<T> {
  cursor: string
  news: Record<string, T | null>
}
interface Kept<T> extends Lately<T> {
  whole: string
}

/** Things that are told by themselves, until all of them are read again. */
export const MANY = 400

/** Beside what was read, so that a page that opens without a network knows it too. */
export async function keepLately<T>(of: string, whole: string, lately: Lately<T>): Promise<void> {
  if (!('caches' in window)) return
  const kept: Kept<T> = { whole, ...lately }
  // A device that is full keeps what it has: it is told again.
  await (await caches.open(READ)).put(file(`${of}/lately`), new Response(JSON.stringify(kept))).catch(() => undefined)
}

/** What is known besides of all that was read at a cursor. */
export async function latelySince<T>(of: string, whole: string): Promise<Lately<T>> {
  const none = { cursor: whole, news: {} }
  if (!('caches' in window) || !(await caches.has(READ))) return none
  const kept = await (await caches.open(READ)).match(file(`${of}/lately`))
  const lately = (await kept?.json().catch(() => undefined)) as Kept<T> | undefined
  return lately?.whole === whole ? { cursor: lately.cursor, news: lately.news } : none
}
