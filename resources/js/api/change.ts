import type { Figure } from './building'
import type { Finding, Worked } from './types'

/** One way to put overtaken work right. `how`: confirmed here, back to the bench, or done where it belongs. */
export interface Remedy {
  key: string
  kind: string
  words: string
  minutes: Figure
  cost: Figure
  parts: number
  how: 'confirm' | 'bench' | 'label' | 'test' | 'place' | 'look' | 'sign'
}
export interface Overtaken {
  key: string
  kind: string
  words: string
  details: string[]
  missing: Worked | null
  remedies: Remedy[]
  ruledOut: string[]
}
export interface RunImpact {
  id: string
  code: string
  overtaken: Overtaken[]
  remake: Remedy
  best: string[]
}
export interface PartToBuy {
  name: string
  needed: Figure
  stock: number
  short: number
  packs: number
  unit: string
}
export interface Impact {
  words: string
  count: number
  runsCount: number
  runs: RunImpact[]
  minutes: Figure
  cost: Figure
  parts: PartToBuy[]
  restored: string[]
  comes: Finding[]
  goes: number
}

export interface Release {
  letter: string
  note: string
  who: string
  at: string
  digest: string
  working: boolean
}
export interface ChangeLine {
  kind: string
  name: string
  change: 'added' | 'removed' | 'changed' | 'withdrawn'
  fields: { field: string; was: string; is: string }[]
}
export interface Draft {
  id: number
  words: string
  who: string
  at: string
}
export interface Leeway {
  way: string
  name: string
  run: string
  code: string
  before: string
  atMost: string
  margin: Worked
}
