import type { Question, Reading, Sample, TestSheet, Value, VerdictWord } from '../../api/test'
import { same } from './reading'

/** Share and least difference within which a number is as expected, where the server is out of reach. */
const NEAR: Record<string, [number, number]> = { ohms: [0.2, 0.05], capacitance: [0.25, 0.05], certifier: [0.15, 1] }
const INSULATION = 1

export const keyOf = (each: { method: string; at: string; state?: string }) =>
  `${each.method}|${each.state ?? ''}|${each.at}`

/** Whether a value is the one expected, as near as the method can tell. */
export function agrees(method: string, expected: Value, read: Value): boolean {
  if (Array.isArray(expected) || Array.isArray(read))
    return Array.isArray(expected) && Array.isArray(read) && same(expected, read)
  if (method === 'insulation') return megohms(expected) >= INSULATION === megohms(read) >= INSULATION
  if (expected === '' || read === expected) return true
  if (typeof expected !== 'number' || typeof read !== 'number') return false
  const [share, least] = NEAR[method] ?? [0, 0]
  return Math.abs(read - expected) <= Math.max(least, share * expected)
}
const megohms = (value: Value) => (value === 'open' ? Infinity : Number(value))

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
      return question && !agrees(sample.method, question.expected, sample.value)
    })
  if (wrong) return 'fails'
  const binding = sheet.plan.filter(planned => planned.binding)
  const isAnswered = (planned: { method: string }) => answered(planned.method, sheet, reading, samples)
  return (binding.length ? binding.every(isAnswered) : sheet.plan.some(isAnswered)) ? 'passes' : 'incomplete'
}

export function answered(method: string, sheet: TestSheet, reading: Reading, samples: Sample[]): boolean {
  if (method === 'map' || method === 'shells') return sheet.from.every(probe => reading.lights[probe.node])
  if (method === 'pairs') return reading.splits !== undefined
  const own = new Set(samples.filter(sample => sample.method === method).map(keyOf))
  // Of a certifier the lengths will do; where mains is, ohms means protective earth, and the server knows which that is.
  const needed = (sheet.methods[method] ?? []).filter(question => method !== 'certifier' || !question.what)
  return needed.length > 0 && needed.every(question => own.has(keyOf({ method, ...question })))
}
