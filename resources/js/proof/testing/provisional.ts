import type { MethodCard, Question, Reading, Sample, TestSheet, Value, VerdictWord } from '../../api/test'
import { same } from './reading'

export const keyOf = (each: { method: string; at: string; state?: string }) =>
  `${each.method}|${each.state ?? ''}|${each.at}`

/**
 * Whether a value is the one expected, as near as its method can tell: by what the server says of it, and nothing else.
 */
export function agrees(near: Nearness, expected: Value, read: Value): boolean {
  if (expected === '' || read === '') return true
  if (!near.within && !near.bands)
    return Array.isArray(expected) && Array.isArray(read) ? same(expected, read) : expected === read
  const [should, is] = [number(expected), number(read)]
  if (should === null || is === null) return false
  if (near.bands) return band(should, near.bands) === band(is, near.bands)
  if (!Number.isFinite(should) || !Number.isFinite(is)) return should === is
  const [share, least] = near.within!
  return Math.abs(is - should) <= Math.max(least, share * should)
}
type Nearness = Pick<MethodCard, 'within' | 'bands'>
const band = (value: number, bands: number[]) => bands.filter(end => value >= end).length
/** A number as it travels: "open" is beyond measure. ("" cannot be foreseen, and agrees with anything.) */
function number(value: Value): number | null {
  if (typeof value === 'number') return value
  return value === 'open' ? Infinity : null
}

/**
 * What a reading comes to as long as nobody can ask the server: sets and
 * numbers compared with those it shipped. The server decides when it hears.
 */
export function provisional(sheet: TestSheet, reading: Reading): VerdictWord {
  const byKey = new Map<string, Question>()
  for (const [method, questions] of Object.entries(sheet.methods))
    for (const question of questions) byKey.set(keyOf({ method, ...question }), question)
  const samples = reading.samples ?? []
  const wrong =
    Object.entries(reading.lights).some(([node, lights]) => !same(lights, sheet.expected[node] ?? [])) ||
    (reading.splits ?? []).length > 0 ||
    samples.some(sample => {
      const question = byKey.get(keyOf(sample))
      return question && !agrees(sheet.cards[sample.method] ?? {}, question.expected, sample.value)
    })
  if (wrong) return 'fails'
  const binding = sheet.plan.filter(planned => planned.binding)
  const isAnswered = (planned: { method: string }) => answered(planned.method, sheet, reading, samples)
  return (binding.length ? binding.every(isAnswered) : sheet.plan.some(isAnswered)) ? 'passes' : 'incomplete'
}

/** Of a composite, that its signal or its mains is whole: the other may be somebody else's to read. */
export function partly(sheet: TestSheet, reading: Reading): 'mains' | 'signal' | null {
  const whole = (licensed: boolean) => {
    const own = sheet.plan.filter(planned => planned.licensed === licensed)
    const needed = own.filter(planned => planned.binding)
    const isAnswered = (planned: { method: string }) => answered(planned.method, sheet, reading, reading.samples ?? [])
    return needed.length ? needed.every(isAnswered) : own.some(isAnswered)
  }
  const isComposite = sheet.licensed && sheet.plan.some(planned => !planned.licensed)
  return isComposite ? (whole(false) ? 'signal' : whole(true) ? 'mains' : null) : null
}

export function answered(method: string, sheet: TestSheet, reading: Reading, samples: Sample[]): boolean {
  if (method === 'map' || method === 'shells') return sheet.from.every(probe => reading.lights[probe.node])
  if (method === 'pairs') return reading.splits !== undefined
  const own = new Set(samples.filter(sample => sample.method === method).map(keyOf))
  const needed = (sheet.methods[method] ?? []).filter(question => !question.optional)
  return needed.length > 0 && needed.every(question => own.has(keyOf({ method, ...question })))
}
