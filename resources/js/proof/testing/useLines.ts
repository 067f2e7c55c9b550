import { nextTick, onMounted, ref, watch } from 'vue'

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
  /** To the next that is open, round the end; where none is, to the line below. */
  function next() {
    const to = [open(at.value + 1), open(0)].find(each => each !== -1)
    go(to ?? at.value + 1)
  }
  /** To the first that is open; where a page has just come up, nothing moves under the eyes. */
  function first() {
    at.value = Math.max(0, open(0))
    entry.value = ''
    wrong.value = ''
  }
  // Recorded, or begun anew: the next reading begins at its beginning.
  const isBegun = () => Array.from({ length: count() }, (_, i) => i).some(isRead)
  onMounted(() => {
    watch(isBegun, begun => {
      if (!begun) first()
    })
  })

  return { at, entry, wrong, go, next, first }
}
