import { STAGE } from '../../ui/stages'

/** Ways to put runs together. */
export const WAYS = ['loom', 'place', 'cable', 'person'] as const
export type Way = (typeof WAYS)[number]

const FIELD: Record<Way, string> = { loom: 'loom', place: 'place', cable: 'cable', person: 'by' }
/** What quotes stand around holds none itself. */
const quoted = (field: string, name: string) => `${field}:"=${name.replaceAll('"', '')}"`

/** The schedule's words for one group; "" for all runs. */
export const wordsOf = (by: Way, name: string) => (by === 'loom' && name === '' ? 'single' : quoted(FIELD[by], name))

/** The runs behind a figure, in the schedule: those that are left at a stage, or those that have come so far. */
export function behind(group: string, stage = '', isLeft = false): string {
  const at = stage === '' ? '' : quoted(isLeft ? 'left' : 'done', STAGE[stage] ?? stage)
  const find = [group, at, '-withdrawn'].filter(word => word !== '').join(' ')
  return `/schedule?find=${encodeURIComponent(find)}`
}
