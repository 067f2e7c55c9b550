import type { Row } from '../../api/types'

/** The first stage that is not done: where the run waits. */
export function waiting(row: Row): string {
  const bead = row.strand.find(each => each.state !== 'done')
  return bead ? bead.stage : ''
}

const WEIGHT = { stop: 100, check: 10, note: 1 }

/** What a planner should look at first weighs most. */
export function urgency(row: Row): number {
  const beads = row.strand.some(bead => bead.state === 'failed')
    ? 1000
    : row.strand.some(bead => bead.state === 'overtaken')
      ? 500
      : 0
  return row.withdrawn ? 0 : beads + row.findings.reduce((sum, finding) => sum + WEIGHT[finding.severity], 0)
}
