import { expect, test } from 'vitest'
import type { Change } from '../../resources/js/api/types'
import { backAgain, standing } from '../../resources/js/ui/reversed'

/** The list of changes as the server keeps it, the newest first: to reverse one is a change of its own. */
class Kept {
  changes: Change[] = []

  add(words: string, reversal: Change['reversal'], mine = true) {
    const id = this.changes.length + 1
    this.changes.unshift({ id, words, who: '', mine, at: '', undone: false, reversal })
  }
  reverse(change: Change) {
    change.undone = true
    this.add(change.words, change.reversal === 'undone' ? 'again' : 'undone')
  }
}

test('undo and redo go back and forth as two stacks do, whatever others decide in between', () => {
  // A walk without chance in it: the Thue-Morse sequence, and thirds of it, are in no step with each other.
  const bit = (n: number) => n.toString(2).replaceAll('0', '').length % 2
  for (let seed = 0; seed < 8; seed++) {
    const server = new Kept()
    const [done, back]: [string[], string[]] = [[], []]
    for (let step = 0; step < 80; step++) {
      const what = (bit(step + seed * 97) + 2 * bit(step * 3 + seed) + step) % 5
      if (what === 0) server.add(`theirs ${step}`, 'none', false)
      else if (what === 1) {
        server.add(`mine ${step}`, 'none')
        done.push(`mine ${step}`)
        back.length = 0
      } else if (what < 4) {
        const change = standing(server.changes)
        expect(change?.words ?? null).toBe(done.at(-1) ?? null)
        if (change) {
          server.reverse(change)
          back.push(done.pop()!)
        }
      } else {
        const change = backAgain(server.changes)
        expect(change?.words ?? null).toBe(back.at(-1) ?? null)
        if (change) {
          server.reverse(change)
          done.push(back.pop()!)
        }
      }
    }
    expect(done.length + back.length).toBeGreaterThan(0)
  }
})
