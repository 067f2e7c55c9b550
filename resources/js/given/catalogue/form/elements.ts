/** A piece of a cable's construction, as a file has it. */
export interface Element {
  key: string
  kind: string
  label?: string
  colour?: string
  children?: Element[]
  [field: string]: unknown
}
/** Where an element stands: numbers among siblings, from the root down. */
export type Place = number[]

export const at = (root: Element, place: Place): Element =>
  place.reduce<Element>((of, i) => of.children?.[i] ?? of, root)

/** The tree with one list of siblings made otherwise. */
const within = (of: Element, place: Place, change: (siblings: Element[], i: number) => Element[]): Element => {
  const [first, ...rest] = place
  if (first === undefined) return of
  const children = of.children ?? []
  if (rest.length === 0) return { ...of, children: change(children, first) }
  return { ...of, children: children.map((each, i) => (i === first ? within(each, rest, change) : each)) }
}
export const changed = (root: Element, place: Place, to: (of: Element) => Element): Element =>
  place.length === 0
    ? to(root)
    : within(root, place, (siblings, i) => siblings.map((each, n) => (n === i ? to(each) : each)))
export const removed = (root: Element, place: Place) =>
  within(root, place, (siblings, i) => siblings.filter((_, n) => n !== i))
export const moved = (root: Element, place: Place, by: -1 | 1) =>
  within(root, place, (siblings, i) => {
    const to = i + by
    if (to < 0 || to >= siblings.length) return siblings
    const next = [...siblings]
    next.splice(to, 0, ...next.splice(i, 1))
    return next
  })

const taken = (siblings: Element[]) => new Set(siblings.map(each => each.key))
/** A key that nothing beside it has: "p7" after "p6", "c" after "b". */
export function freeKey(siblings: Element[], like: string): string {
  const keys = taken(siblings)
  if (like !== '' && !keys.has(like)) return like
  const [, stem = '', number = ''] = /^(.*?)(\d*)$/.exec(like) ?? []
  if (number === '' && /^[a-y]$/.test(like))
    for (let code = like.charCodeAt(0) + 1; code <= 122; code++)
      if (!keys.has(String.fromCharCode(code))) return String.fromCharCode(code)
  for (let n = Number(number || '1') + 1; ; n++) if (!keys.has(`${stem}${n}`)) return `${stem}${n}`
}
const counted = (words: string | undefined, n: number) =>
  words === undefined || words === '' ? words : /\d+$/.test(words) ? words.replace(/\d+$/, String(n)) : `${words} ${n}`

export const added = (root: Element, into: Place, kind: string): Element =>
  changed(root, into, of => {
    const siblings = of.children ?? []
    const key = freeKey(siblings, { core: 'a', pair: 'p1', coax: 'x1', triad: 't1', quad: 'q1' }[kind] ?? kind)
    return { ...of, children: [...siblings, { key, kind, label: kind }] }
  })

/** So many like one of them, after it: keys and labels go on counting, colours in turn where they are given. */
export function repeated(root: Element, place: Place, many: number, colours: string[] = []): Element {
  return within(root, place, (siblings, i) => {
    const first = siblings[i]!
    const base = Number(/\d+$/.exec(first.key)?.[0] ?? '1')
    const others = siblings.filter((_, n) => n !== i)
    const copies: Element[] = []
    for (let n = 0; n < many; n++) {
      const key = n === 0 ? first.key : freeKey([...others, ...copies], first.key.replace(/\d+$/, '') + (base + n))
      const colour = colours.length ? colours[n % colours.length] : first.colour
      copies.push({
        ...(JSON.parse(JSON.stringify(first)) as Element),
        key,
        ...(first.label === undefined ? {} : { label: counted(first.label, base + n) }),
        ...(colour === undefined ? {} : { colour }),
      })
    }
    return [...siblings.slice(0, i), ...copies, ...siblings.slice(i + 1)]
  })
}

/** Every element with its place, as an outline reads: the root is none of them. */
export const outline = (root: Element, place: Place = []): { element: Element; place: Place }[] =>
  (root.children ?? []).flatMap((element, i) => [{ element, place: [...place, i] }, ...outline(element, [...place, i])])
