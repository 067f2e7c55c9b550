import type { Figure } from './building'
import type { Drawing, Finding, Row } from './types'

export type Stage = 'before-closing' | 'bench' | 'installed'
export type VerdictWord = 'passes' | 'fails' | 'incomplete'
/** What lights, a number in the method's unit ("open": nothing conducts), or a word. */
export type Value = string[] | number | string

export interface Probe {
  node: string
  side: 'A' | 'B'
  fitting: string
  address: string
  serves: string
  channel: string
}
export interface Question {
  at: string
  state?: string
  nodes: string[]
  /** What of it, where one thing has several answers. */
  asks?: string
  unit?: string
  /** Its method is answered without it. */
  optional?: boolean
  expected: Value
  figure?: Figure
}
/** What there is to know of a method; the trade's figures come with it. */
export interface MethodCard {
  name?: string
  answers?: string[]
  /** Share of what is expected, and least, within which a number is as expected. */
  within?: [number, number]
  /** Where one band ends and the next begins: numbers of one band are alike. */
  bands?: number[]
  opens?: boolean
  byInstrument?: boolean
  should?: string
  beyond: string
}
export interface PlannedTest {
  method: string
  words: string
  why: string
  limit: string
  licensed: boolean
  binding: boolean
}
export interface Instrument {
  id: string
  name: string
  kind: string
  number?: string
  calibratedTo?: string
  methods: string[]
}
export interface Trial {
  id: string
  kind: 'tested' | 'settled' | 'remade' | 'reworked'
  code: string
  at: string
  received: string
  by: string
  who: string
  side?: string
  of?: string
  stage?: Stage
  verdict?: VerdictWord
  instrument?: string
  note?: string
  overtaken?: boolean
  read?: Record<string, { read: number; declared: number }>
  missing?: string[]
  findings?: Finding[]
}
export interface TestSheet {
  assembly: string
  stage: Stage
  fingerprint: string
  /** What a reading that is taken now is taken on. */
  basis?: string[]
  /** What an earlier version called the same. */
  formerly: string
  run: Row
  runs: string[]
  from: Probe[]
  to: Probe[]
  twoSided: boolean
  expected: Record<string, string[]>
  pairs: { id: string; nodes: string[] }[]
  states: { id: string; name: string }[]
  plan: PlannedTest[]
  licensed: boolean
  cards: Record<string, MethodCard>
  methods: Record<string, Question[]>
  instruments: Instrument[]
  fittings: Record<string, { label: string; tag: string; location: string; drawing: Drawing | null }>
  trials: Trial[]
  contradiction: string[]
  makers: string[]
  cautions: string[]
}

export interface Sample {
  method: string
  at: string
  state?: string
  value: Value
  declared?: boolean
}
export interface Reading {
  lights: Record<string, string[]>
  splits?: string[]
  samples?: Sample[]
  declared?: string[]
}

export interface CoverageCheck {
  id: string
  words: string
  minutes: number
  chosen: boolean
}
export interface Coverage {
  faults: number
  seen: number
  unseen: {
    kind: string
    count: number
    names: string[]
    consequence: string
    add: { id: string; words: string; minutes: number } | null
  }[]
  checks: CoverageCheck[]
}

export interface Fault {
  words: string
  consequence: string
  kind: string
  side: string
  fitting: string
  edges: string[]
}
export interface NextReading {
  method: string
  words: string
  unit: string
  at: string
  state: string
  left: number
  answers: { value: Value; causes: number[] }[]
}
export interface Trouble {
  lines: string[]
  pairs: string[]
  causes: Fault[][]
  more: number
  open: { side: string; fitting: string; reasons: string[] } | null
  next: NextReading | null
}
export interface Judgement {
  verdict: VerdictWord
  wrong: string[]
  wrongPairs: string[]
  wrongSamples: { method: string; at: string; state: string }[]
  over: string[]
  unread: number
  missing: { method: string; words: string; binding: boolean }[]
  troubles: Trouble[]
}

export interface NamedFault {
  key: string
  words: string
  kind: string
}
export interface Family {
  family: string
  types: string[]
  assemblies: number
}
export interface InstrumentsPage {
  instruments: (Omit<Instrument, 'methods'> & { words: string; version: number; overdue: boolean })[]
  kinds: { id: string; words: string; methods: string[] }[]
  methods: { id: string; words: string }[]
  stages: { id: Stage; words: string }[]
  families: Family[]
  rules: { families: ({ family: string } & Partial<Record<Stage, string[]>>)[] }
  version: number
}
export interface Exercise {
  id: string
  run: string
  budget: number
  opened: number
  minutes: number
  read: string[]
  over: boolean
}
export interface Training {
  exercise: Exercise | null
  sheet: TestSheet
  methods: { id: string; words: string; minutes: number; opens: boolean }[]
  choices: NamedFault[]
}
export interface Named {
  right: boolean
  exact: boolean
  was: string
  consequence: string
  named: string
  minutes: number
  opened: number
  path: { method: string; words: string; nodes: string[]; left: number; minutes: number }[]
}
export interface Tally {
  id: string
  name: string
  passed: number
  failed: number
  left: number
}
export interface Progress {
  cursor: string
  looms: Tally[]
  places: Tally[]
  all: Tally
  mine: { looms: string[]; assemblies: string[] }
}
