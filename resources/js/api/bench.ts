import type { Bead, Drawing } from './types'

export interface JobLine {
  id: string
  codes: string[]
  cable: string
  from: string
  to: string
  loom: string
  build: 'shop' | 'site'
  settled: number
  count: number
  minutes: number
  done: boolean
  next: string
  where: string
  begun: boolean
  hold: string | null
  mine: boolean
  questions: number
  skills: string[]
  alike: string
  strand: Bead[]
}
export interface Placed {
  assembly: string
  step: string
  name: string
  person: string
}

export interface BenchCore {
  run: string
  conductor: string
  colour: string
  element: string
  function: string
  channel: string
}
export interface Piece {
  id: string
  run: string
  place: string
  words: string
  detail?: string
  fitting?: string
  leg?: string
  address?: string
  at?: string
  lengths?: { length: string; most: string | null; for: string }[]
  tool?: string
  check?: string
  why?: string
  cautions?: string[]
  cores?: BenchCore[]
  seconds: number
  wait?: number
  needs?: [string, string][]
  /** mm, of what slides on */
  sizes?: { over: number; bore: number | null; outer: number | null }
}
export type Remedy = 'accept' | 'rework' | 'remake'
export interface Flaw {
  id: string
  words: string
  why: string
  usual: Remedy
}
export interface Step {
  number: number
  task: string
  event: string
  side: 'A' | 'B' | null
  unforgiving: boolean
  skill: string | null
  mains: boolean
  pieces: Piece[]
  flaws?: Flaw[]
}
export interface Block {
  number: number
  channels: string[]
  colour: string
  offset: string
}
export interface JobFitting {
  label: string
  drawing: Drawing | null
  print: string[]
  mates: string[]
  strip: { run: string; side: string; at: number } | null
  blocks: Block[]
}
export interface Job {
  assemblies: string[]
  runs: { id: string; code: string; cable: string; from: string; to: string; loom: string }[]
  steps: Step[]
  fittings: Record<string, JobFitting>
  sheets: { run: string; side: string }[]
}
export type Status = 'to-do' | 'done' | 'skipped' | 'overtaken'
export interface Standing {
  status: Status
  /** Ids of the records that made it so. */
  on?: string[]
  by?: string
  at?: string
  note?: string
  flag?: string
}
export interface Said {
  id: string
  step: string
  note: string
  by: string
  at: string
  own: string
}
/** Two records of one step that were made apart from each other. */
export interface BenchConflict {
  step: string
  run: string
  kind: string
  place: string
  what: string
  dispute: 'twice' | 'unaware' | 'stopped' | 'beneath'
  words: string
  said: { id: string; kind: string; by: string; at: string; note: string }[]
}
export interface JobState {
  cursor: number
  /** What every record of the job is done on at least. */
  since: string
  standings: Record<string, Standing>
  conflicts: BenchConflict[]
  settled: number
  holds: Said[]
  questions: (Said & { answer: Said | null })[]
  pictures: (Said & { picture: string })[]
  reworks: (Said & { reopens: number; scraps: Record<string, number> })[]
}
export interface ReworkPlan {
  remedy: Remedy
  words: string
  reopens: string[]
  scraps: Record<string, number>
  survives: string[]
  cutsBack: boolean
  sparesLeft: number | null
  names: string[]
}
export interface BenchEvent {
  id: string
  kind: string
  run: string
  at: string
  on?: string[]
  step?: string
  note?: string
  took?: number
  of?: string
  flag?: string
  remedy?: Remedy
  flaws?: Record<string, Remedy>
  joint?: string
}
