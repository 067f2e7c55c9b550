/**
 * Answers that this page was given, as text, under the tags that the server gave them: of one that still holds it says
 * so, and sends nothing. In memory alone: nothing of it is on the device when the page is gone.
 */
const MOST = 24
/** Characters of all of them together. */
const ROOM = 16_000_000

const held = new Map<string, { tag: string; text: string }>()

export const heldOf = (address: string) => held.get(address)

/** What was used last stays longest. */
export function hold(address: string, tag: string | null, text: string) {
  held.delete(address)
  if (tag === null || text.length > ROOM) return
  held.set(address, { tag, text })
  let room = [...held.values()].reduce((sum, each) => sum + each.text.length, 0)
  for (const [oldest, each] of held) {
    if (held.size <= MOST && room <= ROOM) return
    held.delete(oldest)
    room -= each.text.length
  }
}
