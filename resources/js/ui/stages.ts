import type { Bead } from '../api/types'

export const STAGE: Record<string, string> = {
  cut: 'cut',
  'end-a': 'end A',
  'end-b': 'end B',
  look: 'look',
  label: 'label',
  pull: 'pull',
  test: 'test',
  'in-place': 'placed',
  signed: 'signed',
}

const STATE: Record<string, string> = { 'to-do': 'to do', done: 'done', overtaken: 'overtaken', failed: 'failed' }

/** The strand as a sentence, for those who hear it. */
export const spoken = (beads: Bead[]) =>
  beads.map(bead => `${STAGE[bead.stage] ?? bead.stage} ${STATE[bead.state]}`).join(', ')

export const KIND: Record<string, string> = {
  cut: 'cut',
  joined: 'joined',
  inspected: 'inspected',
  labelled: 'labelled',
  pulled: 'pulled',
  tested: 'tested',
  installed: 'in place',
  remade: 'made again',
  'signed-off': 'signed',
  'slid-on': 'slid on',
  prepared: 'prepared',
  'contact-joined': 'contact joined',
  flagged: 'flagged',
  skipped: 'left out',
  closed: 'closed',
  dressed: 'dressed',
  trimmed: 'trimmed',
  reported: 'fault reported',
  repaired: 'repaired',
  settled: 'settled',
  withdrawn: 'withdrawn',
  'taken-back': 'taken back',
  reworked: 'sent back for rework',
  held: 'stopped',
  lifted: 'goes on',
  asked: 'asked',
  answered: 'answered',
  pictured: 'photo',
  paused: 'paused',
  resumed: 'resumed',
}
