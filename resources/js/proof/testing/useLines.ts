import { nextTick, ref } from 'vue'

/** Going through lines one after the other: where one is, and the next that has no answer yet. */
export function useLines(count: () => number, isRead: (i: number) => boolean, anchor: string) {
  const at = ref(0)
  const entry = ref('')
  const wrong = ref('')

  function go(i: number) {
    at.value = Math.max(0, Math.min(count() - 1, i))
    entry.value = ''
    wrong.value = ''
    void nextTick(() => document.getElementById(`${anchor}-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
  }
  const open = (from: number) => {
    for (let i = from; i < count(); i++) if (!isRead(i)) return i
    return -1
  }
  function next() {
    const to = open(at.value + 1)
    go(to === -1 ? at.value + 1 : to)
  }
  /** To the first that is open; where a page has just come up, nothing moves under the eyes. */
  function first() {
    at.value = Math.max(0, open(0))
    entry.value = ''
    wrong.value = ''
  }

  return { at, entry, wrong, go, next, first }
}
