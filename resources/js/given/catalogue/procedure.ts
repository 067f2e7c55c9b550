/** A procedure as its file has it. */
export interface Measure {
  length: string
  kind: string
  from: string
  mark?: string
  asked?: boolean
}
export interface Reach {
  length: string
  of?: string[]
  function?: string
  joins?: string
  asked?: boolean
}
export interface MakingStep {
  id: string
  do: string
  of?: string[]
  joins?: string
  measure?: Measure
  part?: string
  tool?: string
  check?: string
  catches?: string
  redo?: string[]
  seconds?: number
  why?: string
  caution?: string
  locked?: boolean
  has?: string[]
  lacks?: string[]
  under?: string[]
  since?: string
}
export interface Demand {
  name: string
  what: string
  of?: string[]
  joins?: string
  least?: string
  most: string
  lies?: string
  defect?: string
  under?: string[]
}
export interface Procedure {
  id: string
  name: string
  source?: string
  steps: MakingStep[]
  demands?: Demand[]
  insteadOf?: string[]
  connectors?: string[]
  reaches?: Reach[]
  standsIn?: string[]
  closes?: { part: string; over?: string }[]
  crimps?: { part: string; times: number }[]
  legs?: { carries: string; procedure?: string; last?: boolean }[]
  centre?: string
  throughLugs?: boolean
  [more: string]: unknown
}

/** As it is said: what stands in the file with the words for it. */
export interface Choice {
  value: string
  title: string
}
const said = (words: Record<string, string>): Choice[] =>
  Object.entries(words).map(([value, title]) => ({ value, title }))
export const plain = (value: string) => value.replaceAll('-', ' ')

export const VERBS = said({
  mark: 'mark it',
  measure: 'measure on the equipment',
  turn: 'turn a part over',
  'cut-off': 'cut the end off',
  score: 'score round',
  remove: 'take off',
  tear: 'tear off',
  fold: 'lay back',
  open: 'open',
  untwist: 'untwist',
  twist: 'twist',
  point: 'cut to a point',
  wind: 'wind round',
  trim: 'cut to length',
  arrange: 'lay side by side',
  wet: 'fill with solder',
  tin: 'tin',
  tape: 'tape',
  insulate: 'put a sleeve over',
  slide: 'slide a part on',
  seat: 'bring a part to its place',
  insert: 'push in, all at once',
  'lay-in': 'lay into slots',
  ferrule: 'put ferrules on',
  mate: 'plug into the other half',
  join: 'solder in',
  clamp: 'screw in',
  'press-in': 'press in',
  'push-on': 'push the body on',
  'lay-forward': 'lay forward',
  slit: 'slit along',
  crimp: 'crimp',
  'solder-on': 'solder contacts on',
  load: 'put into place',
  fix: 'close a part',
  shrink: 'shrink a part',
  tie: 'tie round it',
  bind: 'hold down with a tie',
  cool: 'let it cool',
  'look-over': 'look it over',
  tug: 'tug',
  close: 'close it',
  coil: 'coil the cable',
})
export const KINDS = said({
  sheath: 'sheath',
  'inner-sheath': 'inner sheath',
  braid: 'braid',
  lapped: 'lapped screen',
  foil: 'foil',
  drain: 'drain',
  wrap: 'clear wrap',
  thread: 'binder thread',
  cord: 'rip cord',
  fibre: 'strengthening fibre',
  filler: 'filler',
  separator: 'separator',
  'conductive-layer': 'conductive layer',
  dielectric: 'dielectric',
  insulation: 'insulation',
  metal: 'core',
})
export const JOINS = said({
  screen: 'of the screen’s terminal',
  core: 'of any other terminal',
  earth: 'of protective earth’s terminal',
  terminal: 'of any terminal',
  under: 'of a terminal that others will lie over',
  over: 'of a terminal that lies over none',
  nothing: 'that are joined to nothing',
})
export const MEASURES = said({
  mark: 'marked at',
  remaining: 'of it stays',
  along: 'of it is worked on',
  reach: 'it reaches',
})
export const FROMS = said({
  'cut-end': 'from the cut end',
  'own-end': 'from its own end',
  'sheath-edge': 'from the edge of the sheath',
  'inner-sheath-edge': 'from the edge of the inner sheath',
  'screen-edge': 'from the edge of the screen',
  'insulation-edge': 'from its insulation',
  terminal: 'more than to its terminal',
  mark: 'from a mark',
  equipment: 'more than was measured on the equipment',
  legs: 'as long as the longest leg; this where nobody says',
  leg: 'more than the leg is long',
})
export const DEMANDED = said({
  reach: 'what stands out of the sheath',
  bare: 'what is bare',
  slack: 'what is more than the way to its terminal',
  tinned: 'what is tinned',
  longer: 'what is more than the longest of the others',
})
export const LIES = said({
  scored: 'scored',
  opened: 'opened',
  folded: 'laid back',
  twisted: 'twisted',
  untwisted: 'untwisted',
  pointed: 'cut to a point',
  over: 'laid forward',
  wound: 'wound',
  arranged: 'laid in order',
})
export const JOININGS = said({
  'solder-cup': 'solder cups',
  'solder-lug': 'solder lugs',
  crimp: 'crimp contacts',
  screw: 'screw terminals',
  'displacement-plug': 'plugs that are pressed',
  'displacement-slot': 'slots that cores are pressed into',
  'coax-crimp': 'a crimped centre pin',
  'coax-clamp': 'a clamped centre pin',
})
export const OVER = said({ screen: 'the screen’s terminal', core: 'the other terminals' })
export const CENTRES = said({
  none: 'nothing: it is no coax',
  captive: 'the connector’s own: the bare centre is pushed in',
  pin: 'a pin that is crimped on',
  fingers: 'springs: nothing is crimped',
})
export const CARRIES = said({ signal: 'a signal', mains: 'mains' })
export const title = (of: Choice[], value: string | undefined) =>
  of.find(each => each.value === value)?.title ?? plain(value ?? '')

/** A step without an end that it would be done to. */
export function spoken(step: MakingStep): string {
  const on = (step.of ?? []).map(kind => title(KINDS, kind)).join(', ')
  return [title(VERBS, step.do), step.part ? plain(step.part) : on].filter(Boolean).join(': ')
}

/** What an edition has that another has not, step by step. */
export function differences(from: Procedure, to: Procedure): { id: string; words: string }[] {
  const was = new Map(from.steps.map(step => [step.id, step]))
  const is = new Map(to.steps.map(step => [step.id, step]))
  const found: { id: string; words: string }[] = []
  for (const step of from.steps) if (!is.has(step.id)) found.push({ id: step.id, words: `gone: ${spoken(step)}` })
  const common = to.steps.map(step => step.id).filter(id => was.has(id))
  const order = from.steps.map(step => step.id).filter(id => is.has(id))
  for (const step of to.steps) {
    const before = was.get(step.id)
    if (!before) {
      found.push({ id: step.id, words: `new: ${spoken(step)}` })
      continue
    }
    const keys = [...new Set([...Object.keys(before), ...Object.keys(step)])] as (keyof MakingStep)[]
    const changed = keys.filter(key => JSON.stringify(before[key]) !== JSON.stringify(step[key]))
    if (changed.length)
      found.push({
        id: step.id,
        words: changed.map(key => `${NAMES[key]}: ${value(before[key])} → ${value(step[key])}`).join('; '),
      })
    else if (common.indexOf(step.id) !== order.indexOf(step.id)) found.push({ id: step.id, words: 'at another place' })
  }
  if (JSON.stringify(from.demands ?? []) !== JSON.stringify(to.demands ?? []))
    found.push({ id: 'demands', words: 'what is demanded of the finished end' })
  if (JSON.stringify(from.reaches ?? []) !== JSON.stringify(to.reaches ?? []))
    found.push({ id: 'terminals', words: 'how far they are' })
  return found
}
const NAMES: Record<keyof MakingStep, string> = {
  id: 'name',
  do: 'does',
  of: 'to',
  joins: 'which of them',
  measure: 'length',
  part: 'part',
  tool: 'with',
  check: 'look',
  catches: 'finds',
  redo: 'goes back to',
  seconds: 'seconds',
  why: 'why',
  caution: 'caution',
  locked: 'locked',
  has: 'only of ends that have',
  lacks: 'only of ends without',
  under: 'where the house has it so',
  since: 'its record begins',
}
const value = (of: unknown): string =>
  of === undefined
    ? 'nothing'
    : Array.isArray(of)
      ? of.join(', ')
      : typeof of === 'object' && of !== null
        ? Object.values(of).join(' ')
        : String(of)
