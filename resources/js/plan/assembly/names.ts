import type { AssemblyElement } from './useAssembly'

/** Of "fitting/address": the connector, and the contact of it; an address may have parts of its own. */
export const fittingOf = (place: string) => place.slice(0, place.indexOf('/'))
export const addressOf = (place: string) => place.slice(place.indexOf('/') + 1)

/** What a chosen element or core is called in a line: its number where it has one, else its path. */
function called(path: string): { before: string; number: number } | string {
  const found = /^([a-z]*)(\d+)$/i.exec(path)
  return found ? { before: found[1]!, number: Number(found[2]) } : path
}

/** Chosen things as a line names them: runs of numbers as ranges. */
export function named(paths: string[]): string {
  const parts: string[] = []
  let from: { before: string; number: number } | null = null
  let to = 0
  const close = () => {
    if (from) parts.push(from.number === to ? String(to) : `${from.number}-${to}`)
    from = null
  }
  for (const path of paths) {
    const name = called(path)
    if (typeof name === 'string') {
      close()
      parts.push(name)
    } else if (from && from.before === name.before && name.number === to + 1) to = name.number
    else {
      close()
      from = name
      to = name.number
    }
  }
  close()
  return parts.join(', ')
}

/** In words, for the head of the panel. */
export function spoken(paths: string[], elements: AssemblyElement[]): string {
  const label = (path: string) =>
    elements.find(each => each.path === path)?.label ??
    elements.flatMap(each => each.cores.map(core => ({ ...core, of: each.label }))).find(core => core.path === path)
      ?.label ??
    path
  if (paths.length === 0) return ''
  if (paths.length < 3) return paths.map(label).join(' and ')
  return `${label(paths[0]!)} to ${label(paths.at(-1)!)}, ${paths.length} in all`
}
