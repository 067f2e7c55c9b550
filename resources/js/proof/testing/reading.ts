import type { Probe, TestSheet, Value } from '../../api/test'

/** What stands for a probe when it is typed or read: "C7", or "3.2" for contact 2 of leg 3. */
export function token(probe: Probe, sheet: TestSheet): string {
  const tag = sheet.fittings[probe.fitting]?.tag ?? ''
  return tag === '' ? probe.address : `${tag}.${probe.address}`
}

/** How probes are read aloud: a shell is a shell, whatever its address. */
export function named(probe: Probe, sheet: TestSheet): string {
  return `${token(probe, sheet)}${probe.serves ? ` ${probe.serves}` : ''}`
}

export type Typed = { lights: string[] } | { wrong: string }

/**
 * What a tester typed for one line: "" is as expected, "0" or "-" nothing,
 * otherwise the contacts that light, parted by blanks or commas.
 */
export function typed(text: string, expected: string[], sheet: TestSheet): Typed {
  const words = text
    .trim()
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean)
  if (words.length === 0) return { lights: [...expected] }
  if (
    words.length === 1 &&
    ['0', '-', 'n', 'nothing'].includes(words[0]!) &&
    !sheet.to.some(probe => token(probe, sheet).toLowerCase() === words[0])
  )
    return { lights: [] }
  const byToken = new Map(sheet.to.map(probe => [token(probe, sheet).toLowerCase(), probe.node]))
  const lights: string[] = []
  for (const word of words) {
    const node = byToken.get(word) ?? (word === 's' ? byToken.get('shell') : undefined)
    if (!node) {
      const some = [...byToken.keys()].slice(0, 3).join(', ')
      return { wrong: `There is no contact "${word}" on the other side. Write ${some} …, or 0 for nothing.` }
    }
    lights.push(node)
  }
  return { lights }
}

export const same = (one: string[], other: string[]) =>
  one.length === other.length && [...one].sort().join() === [...other].sort().join()

/** A point by its node, with its end where both ends have a contact of that name. */
export function point(node: string, sheet: TestSheet): string {
  const probe = [...sheet.from, ...sheet.to, ...sheet.mains].find(each => each.node === node)
  return probe ? `${probe.side} ${token(probe, sheet)}` : node
}

/** What was read, as a tester says it. */
export function said(value: Value, unit: string, sheet: TestSheet, beyond = 'open'): string {
  if (Array.isArray(value))
    return value.length === 0
      ? 'nothing'
      : value.map(each => (each.startsWith('t:') || each.startsWith('c:') ? point(each, sheet) : each)).join(', ')
  if (typeof value === 'number') return `${Number(value.toFixed(3))} ${unit}`.trim()
  return value === 'open' ? beyond : value
}
