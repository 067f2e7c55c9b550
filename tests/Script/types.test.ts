import { describe, expect, it } from 'vitest'
import {
  added,
  changed,
  freeKey,
  moved,
  outline,
  removed,
  repeated,
  type Element,
} from '../../resources/js/given/catalogue/form/elements'
import { onGrid, pasted } from '../../resources/js/given/catalogue/form/grid'
import {
  blank,
  ofKind,
  resolved,
  saying,
  shape,
  typed,
  type Schema,
} from '../../resources/js/given/catalogue/form/schema'
import { label } from '../../resources/js/given/catalogue/form/words'

const pair: Element = {
  key: 'p1',
  kind: 'pair',
  label: 'pair 1',
  children: [
    { key: 'a', kind: 'core', colour: 'red' },
    { key: 'b', kind: 'core', colour: 'black' },
  ],
}
const root: Element = { key: '', kind: 'group', children: [pair] }
const keys = (of: Element) => outline(of).map(({ element }) => element.key)

describe('a cable by repetition', () => {
  it('is 24 times a pair, counted on, colours in turn', () => {
    const of = repeated(root, [0], 24, ['brown', 'red'])
    expect(of.children).toHaveLength(24)
    expect(of.children?.map(each => each.key)).toEqual(Array.from({ length: 24 }, (_, i) => `p${i + 1}`))
    expect(of.children?.[23]).toMatchObject({ label: 'pair 24', colour: 'red' })
    expect(of.children?.[5]?.children).toEqual(pair.children)
    // Each is its own: what is changed in one is not in the others.
    const other = changed(of, [3, 0], core => ({ ...core, colour: 'blue' }))
    expect(other.children?.[4]?.children?.[0]?.colour).toBe('red')
    expect(root.children).toHaveLength(1)
  })
  it('takes no key that is there', () => {
    const two = repeated(root, [0], 2)
    const again = repeated(two, [0], 3)
    expect(new Set(keys(again).filter(key => key.startsWith('p'))).size).toBe(4)
    expect(freeKey([{ key: 'a', kind: 'core' }], 'a')).toBe('b')
    expect(freeKey([{ key: 'p9', kind: 'pair' }], 'p9')).toBe('p10')
    expect(keys(added(root, [0], 'drain'))).toEqual(['p1', 'a', 'b', 'drain'])
    expect(keys(added(root, [0], 'core'))).toEqual(['p1', 'a', 'b', 'c'])
  })
  it('is moved and taken out, and back where it was', () => {
    const two = repeated(root, [0], 2)
    expect(moved(moved(two, [0], 1), [1], -1)).toEqual(two)
    expect(moved(two, [0], -1)).toEqual(two)
    expect(removed(two, [1])).toEqual(root)
  })
})

describe('contacts at once', () => {
  it('lie on a grid about the middle, mirrored on the wiring side', () => {
    const contacts = onGrid({ columns: 3, rows: 2, across: 5, down: 4, naming: 'letter by row', first: 'A' })
    expect(contacts.map(each => each.address)).toEqual(['A1', 'A2', 'A3', 'B1', 'B2', 'B3'])
    expect(contacts[0]).toMatchObject({ face: [-5, 2], wiring: [5, 2] })
    const sum = (i: 0 | 1) => contacts.reduce((of, each) => of + each.face[i], 0)
    expect([sum(0), sum(1)]).toEqual([0, 0])
    expect(
      onGrid({ columns: 2, rows: 3, across: 1, down: 1, naming: 'by column', first: '7' }).map(e => e.address),
    ).toEqual(['7', '10', '8', '11', '9', '12'])
  })
  it('come from a table, whichever way its cells are apart', () => {
    const one = { address: '1', face: [-2.5, 1], wiring: [2.5, 1] }
    for (const text of ['1\t-2.5\t1', '1;-2,5;1', '1, -2.5, 1', '1 -2.5 1', 'contact;x;y\n1;-2,5;1'])
      expect(pasted(text)).toEqual({ cavities: [one], wrong: [] })
    expect(pasted('2\t1\t1\t9\t8').cavities[0]).toMatchObject({ wiring: [9, 8] })
    expect(pasted('1\t1\t1\n2\there\t1').wrong).toEqual(['Line 2: "2\there\t1"'])
  })
})

describe('a form is what the file’s schema says', () => {
  const KINDS = ['cable', 'connector', 'part', 'signal']
  const walk = (kind: string, schema: Schema, seen: string[] = []): string[] =>
    Object.entries(resolved(schema).properties ?? {}).flatMap(([key, each]) => {
      const inner = resolved(each)
      const items = resolved(inner.items ?? {})
      return key === 'children' || seen.includes(key)
        ? []
        : [key, ...walk(kind, inner, [...seen, key]), ...walk(kind, items, [...seen, key])]
    })
  it('has a word for every field, none of them a key', () => {
    const bare = KINDS.flatMap(kind =>
      walk(kind, ofKind(kind))
        // What a cable is made of is an outline, with columns of its own.
        .filter(key => !['id', 'recipes', 'construction'].includes(key))
        .filter(key => label(kind, key) === key.replace(/[A-Z]/g, letter => ` ${letter.toLowerCase()}`))
        .map(key => `${kind}.${key}`),
    )
    expect([...new Set(bare)]).toEqual([])
  })
  it('leaves out what nobody said, and keeps what is no number for the check to name', () => {
    expect(saying({ a: 1, b: 2 }, 'a', undefined)).toEqual({ b: 2 })
    expect(saying({ b: [1] }, 'b', [])).toEqual({})
    expect([typed('2,5'), typed(''), typed('much')]).toEqual([2.5, undefined, 'much'])
    const contact = resolved(resolved(ofKind('connector').properties?.cavities ?? {}).items ?? {})
    expect(blank(contact)).toEqual({ address: '', face: [0, 0], wiring: [0, 0] })
    expect(shape(ofKind('part').properties?.grips ?? {})).toBe('pair')
    expect(shape(ofKind('signal').properties?.differential ?? {})).toBe('pairs')
  })
})
