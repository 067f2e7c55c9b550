import type { Figure } from './figure'

export type Role = 'planner' | 'bench' | 'installer' | 'tester' | 'lead'
export type BeadState = 'to-do' | 'done' | 'overtaken' | 'failed'
export type Severity = 'stop' | 'check' | 'note'

export interface Named {
  id: string
  name: string
}
export type Office = 'people' | 'installations'
export interface Person {
  /** What records call them by. */
  id: string
  name: string
  signIn: string
  organisation?: string
  offices?: Office[]
  /** What they are in the crew of the page's installation, and what they can. */
  roles: Role[]
  skills?: string[]
}
/** What came of inviting somebody: a link to hand over, or whom it was mailed to. */
export interface Invitation {
  link: string | null
  mailedTo: string | null
  until: string
}
export interface InstallationRef {
  id: number
  /** As its file calls it. */
  key: string
  /** As every address calls it. */
  address: string
  name: string
  /** It is read and not written. */
  archived?: boolean
}
export interface Session {
  person: Person | null
  installations?: InstallationRef[]
  open?: InstallationRef | null
}

export interface Bead {
  stage: string
  state: BeadState
}
export interface Finding {
  severity: Severity
  words: string
  remedy: string
  code?: string
  subject?: string
}

export interface Row {
  id: string
  version: number
  code: string
  family: string
  cable: string
  build: 'shop' | 'site'
  loom: string
  from: string
  to: string
  endA: string
  endB: string
  cut: string
  strand: Bead[]
  withdrawn: boolean
  who: string[]
  findings: Finding[]
}

export interface Term {
  label: string
  detail: string
  amount: string
  source: string
}
export interface Worked {
  result: string
  exact: string
  rounding: string
  terms: Term[]
}
export type Line = Record<string, string>
export interface Reach {
  id: string
  name: string
  signal: string
  runs: string[]
  verdict: 'reaches' | 'tight' | 'beyond' | 'unknown'
  kind: string
  used: Figure | null
  limit: Figure | null
  margin: number | null
  decibels: number | null
  missing: string
  information: { what: string; figure: Figure }[]
  next: { cable: string; margin: number } | null
}

export interface Cavity {
  address: string
  face: [number, number]
  wiring: [number, number]
  terminal: string
}
export interface Drawing {
  name: string
  short: string
  gender: string
  shape: string
  width: number
  height: number
  key: [number, number] | null
  contact: number
  cavities: Cavity[]
  shells: string[]
  cautions: string[]
}

export interface Conductor {
  conductor: string
  element: string
  core: string
  colour: string
}
export interface Joint extends Conductor {
  leg: string
  fitting: string
  address: string
  function: string
  channel: string
  circuit: string
  exception: string
}
export interface Fitting {
  id: string
  label: string
  leg: string
  length: string
  plan: string
  source: string
  drawing: Drawing | null
  mate: string
}
export interface End {
  side: 'A' | 'B'
  location: string
  fittings: Fitting[]
  joints: Joint[]
  unused: (Conductor & { reason: string })[]
  leftOut: { note: string; who: string; at: string }[]
  pictures: { picture: string; who: string; at: string }[]
}
export interface Label {
  side: string
  leg: string
  code: string
  end: string
  to: string
  readsUpsideDown?: string
  prints?: string
  underlined?: boolean
  word?: string
}
export interface HistoryEvent {
  id: string
  kind: string
  side?: string
  who: string
  at: string
  instrument?: string
  note?: string
  verdict?: 'passes' | 'fails' | 'incomplete'
  /** What is doubtful about when it is said to have been done. */
  doubt?: string
  overtaken: boolean
}
/** What a circuit is asked to carry, beyond the usual of its signal. */
export interface Demand {
  rate?: string
  source?: number
  load?: number
  line?: number
  power?: number
}
export interface CircuitOf {
  id: string
  version: number
  name: string
  signal: string
  signalName: string
  topology: string
  from: string
  phantom: string
  terminator: string
  joins: string | null
  takesPhantom: boolean
  asks: string
  demand?: Demand
  fittings: { id: string; label: string }[]
}
export interface RunPage extends Row {
  /** What something that is done now is done on. */
  basis?: string[]
  circuits: CircuitOf[]
  line: Line
  note: string
  assembly: { id: string; runs: string[] }
  worked: Worked
  way: string[]
  pinned: boolean
  reach: Reach[]
  ends: End[]
  labels: Label[]
  history: HistoryEvent[]
}

export interface PlanChoice extends Named {
  connector: string
  channels: number
  functions: string[]
}
export interface Catalogue {
  cables: (Named & { family: string; prefix: string })[]
  signals: (Named & { functions: string[] })[]
  plans: PlanChoice[]
  locations: Named[]
  ways: (Named & { kind: string; length: string })[]
  looms: Named[]
}

export interface Change {
  id: number
  words: string
  who: string
  mine: boolean
  at: string
  undone: boolean
}
export interface RowProblem {
  row: number
  column: string
  value: string
  remedy: string
}
export type Rules = Record<string, string | number>
export interface School {
  key: string
  question: string
  usual: string
  reason: string
  answers: { value: string; words: string }[]
}
export interface Few {
  count: number
  names: string[]
}
export interface Consequences {
  joints: number
  ends: Few
  cuts: Few
  labels: Few
  tests: Few
  overtaken: Few
  comes: Finding[]
  goes: number
}

export interface SheetCore {
  conductor: string
  colour: string
  element: string
  address: string
  terminal: string
  function: string
  channel: string
  exception: string
  length: Worked
}
export interface SheetSlide {
  name: string
  colour: string
  before: boolean
  note: string
}
export interface SheetStep {
  layer: string
  at: string
  does: string
  keep: string
  tool: string
  check: string
}
export interface SheetLeg {
  id: string
  label: string
  length: string
  tail: Worked | null
  chosen: string
  recipe: { id: string; name: string; discard: string; source: string; steps: SheetStep[] } | null
  cores: SheetCore[]
  slides: SheetSlide[]
  contacts: string[]
  tools: string[]
  cautions: string[]
}
export interface SheetBlock {
  number: number
  channels: string[]
  colour: string
  offset: string
  length: Worked
}
export interface SheetFitting {
  id: string
  version: number
  label: string
  drawing: Drawing | null
  plan: string
  channels: number
  exit: string
  exits: string[]
  clocking: number | null
  clockings: number[]
  mains: boolean
  join: string[]
  legs: SheetLeg[]
  blocks: SheetBlock[]
  print: string[]
  mates: string[]
}
export interface Sheet {
  run: string
  version: number
  code: string
  side: 'A' | 'B'
  location: string
  cable: string
  mains: boolean
  fittings: SheetFitting[]
  alike: number[][]
  breakout: SheetSlide | null
  unused: { conductor: string; colour: string; reason: string }[]
  rules: { question: string; answer: string }[]
}

export type TypeKind = 'cable' | 'connector' | 'signal' | 'plan' | 'part' | 'recipe'
export interface TypeLine {
  id: string
  name: string
  about: string
  source: 'own' | 'shipped' | 'file'
  version: number | null
  used: boolean
  retired: boolean
}
export interface TypeDetail {
  kind: TypeKind
  id: string
  name: string
  definition: Record<string, unknown>
  version: number | null
  shipped: boolean
  used: boolean
  retired: boolean
  figures: { label: string; value: string; rule: string }[]
  drawing: Drawing | null
}
export type Channels = Record<string, Record<string, string>>
export interface PlanDefinition {
  id: string
  name: string
  connector: string
  channels: Channels
  source?: string
  block?: number
  shared?: string[]
  inserts?: Record<string, string>
  byScheme?: Record<string, string>
}
export interface ContactPair {
  address: string
  own: string
  opposite: string
  theirs: string
  agrees: boolean
}
