import type { Change } from '../api/types'

/** The last change of one's own that stands. */
export const standing = (changes: Change[]): Change | null =>
  changes.find(change => change.mine && !change.undone && change.reversal !== 'undone') ?? null

/** What was taken back last, unless something else was decided since. */
export function backAgain(changes: Change[]): Change | null {
  for (const change of changes) {
    if (!change.mine) continue
    if (change.reversal === 'none') return null
    if (change.reversal === 'undone' && !change.undone) return change
  }
  return null
}

/** Whether that is what was just said to be done. */
export const isTakenBack = (said: string): boolean => said.startsWith('Undone: ')
