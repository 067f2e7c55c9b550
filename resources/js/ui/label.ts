import { address } from '../api/page'

/** The end that a code on a label is of. `of`: its installation; '' where it was printed before codes named it. */
export interface Label {
  of: string
  run: string
  side: string
}

/** The code on a label is an address of this application. Null: not one. */
export function readLabel(text: string): Label | null {
  const found = /(?:\/i\/([^/\s]+))?\/e\/([^/\s]+)\/([AB])/.exec(text)
  return found && { of: (found[1] ?? '').toLowerCase(), run: found[2]!, side: found[3]! }
}

/**
 * Where the label of another installation leads, or one that may be of several: a load of that page. Null: it is of
 * this one, whose page goes on by itself.
 */
export function leadsAway(label: Label, installations: number, then: 'run' | 'site'): string | null {
  const code = `/e/${label.run}/${label.side}`
  if (label.of === address || (label.of === '' && installations < 2)) return null
  if (label.of === '') return `${code}?then=${then}`
  return then === 'site'
    ? `/i/${label.of}/site?scan=${label.run}&from=${address}`
    : `/i/${label.of}${code}?from=${address}`
}
