import { afterEach, describe, expect, test } from 'vitest'
import type { TestSheet } from '../../resources/js/api/test'
import type { Row } from '../../resources/js/api/types'
import { filtered } from '../../resources/js/plan/schedule/filter'
import { sorted } from '../../resources/js/plan/schedule/order'
import { waiting } from '../../resources/js/plan/schedule/standing'
import { same, token, typed } from '../../resources/js/proof/testing/reading'
import { code, hex } from '../../resources/js/ui/colours'
import { spoken } from '../../resources/js/ui/stages'
import { slug } from '../../resources/js/ui/slug'
import { inFigures, inWords, length, short, system } from '../../resources/js/ui/units'
import table from './inches.json'

const STAGES = ['cut', 'end-a', 'end-b', 'look', 'label', 'test', 'in-place', 'signed'] as const
function row(codeOf: string, done: number, more: Partial<Row> = {}): Row {
  return {
    id: codeOf,
    version: 1,
    code: codeOf,
    family: 'audio',
    cable: 'Screened pair',
    build: 'shop',
    loom: 'L1',
    from: 'Lectern',
    to: 'Amplifier rack 1',
    endA: 'XLR 3 female',
    endB: 'XLR 3 male',
    signals: ['Balanced analogue audio'],
    way: ['Under-stage tray', 'Riser A'],
    tailA: '1500 mm',
    tailB: '900 mm',
    note: '',
    cut: '1000 mm',
    withdrawn: false,
    who: [],
    findings: [],
    strand: STAGES.map((stage, i) => ({ stage, state: i < done ? 'done' : 'to-do' })),
    ...more,
  }
}
const codes = (rows: Row[]) => rows.map(each => each.code)

describe('filter words', () => {
  const failed = row('A-2', 5, {
    strand: STAGES.map(stage => ({ stage, state: stage === 'test' ? 'failed' : 'done' })),
  })
  const rows = [
    row('A-1', 8),
    failed,
    row('A-10', 5, { to: 'Media rack' }),
    row('V-3', 0, { cable: 'Coax', family: 'video', withdrawn: true }),
  ]

  test('each word narrows, a minus turns it round, quotes keep words together', () => {
    expect(codes(filtered(rows, ''))).toEqual(['A-1', 'A-2', 'A-10', 'V-3'])
    expect(codes(filtered(rows, 'a-1'))).toEqual(['A-1', 'A-10'])
    expect(codes(filtered(rows, 'to:"media rack"'))).toEqual(['A-10'])
    expect(codes(filtered(rows, '-video lectern'))).toEqual(['A-1', 'A-2', 'A-10'])
    expect(codes(filtered(rows, 'failed'))).toEqual(['A-2'])
    expect(codes(filtered(rows, 'done'))).toEqual(['A-1'])
    expect(codes(filtered(rows, 'open'))).toEqual(['A-2', 'A-10'])
    expect(codes(filtered(rows, 'next:test'))).toEqual(['A-2', 'A-10'])
    expect(codes(filtered(rows, 'withdrawn'))).toEqual(['V-3'])
    expect(codes(filtered(rows, 'to:'))).toHaveLength(4)
    expect(codes(filtered(rows, 'nothing-such'))).toEqual([])
  })

  test('codes sort as numbers, and what is urgent sorts first', () => {
    expect(codes(sorted(rows, [{ key: 'code', down: false }]))).toEqual(['A-1', 'A-2', 'A-10', 'V-3'])
    expect(codes(sorted(rows, [{ key: 'code', down: true }]))).toEqual(['V-3', 'A-10', 'A-2', 'A-1'])
    expect(
      codes(
        sorted(
          [...rows, row('Z-1', 0, { findings: [{ severity: 'stop', words: '', remedy: '' }] })],
          [{ key: 'look', down: false }],
        ),
      ).slice(0, 2),
    ).toEqual(['A-2', 'Z-1'])
    expect(waiting(rows[0]!)).toBe('')
    expect(waiting(rows[2]!)).toBe('test')
  })
})

describe('what a tester types', () => {
  const probe = (fitting: string, address: string) => ({
    node: `t:${fitting}/${address}`,
    side: 'B' as const,
    fitting,
    address,
    serves: '',
  })
  const sheet = {
    to: [probe('b', '1'), probe('b', '2'), probe('b', 'C7'), probe('b', 'shell'), probe('t', '3')],
    fittings: {
      b: { label: '', tag: '', location: '', drawing: null },
      t: { label: '', tag: '12', location: '', drawing: null },
    },
  } as unknown as TestSheet

  test('nothing typed is as expected, 0 is nothing, else what lights', () => {
    expect(typed('', ['t:b/1'], sheet)).toEqual({ lights: ['t:b/1'] })
    for (const nothing of ['0', '-', 'n', 'nothing', ' 0 '])
      expect(typed(nothing, ['t:b/1'], sheet)).toEqual({ lights: [] })
    expect(typed('1, 2', [], sheet)).toEqual({ lights: ['t:b/1', 't:b/2'] })
    expect(typed('c7 shell', [], sheet)).toEqual({ lights: ['t:b/C7', 't:b/shell'] })
    expect(typed('s', [], sheet)).toEqual({ lights: ['t:b/shell'] })
    expect(typed('12.3', [], sheet)).toEqual({ lights: ['t:t/3'] })
    expect(typed('3', [], sheet)).toHaveProperty('wrong')
    expect(token(sheet.to[4]!, sheet)).toBe('12.3')
  })

  test('the order in which contacts lit does not matter, how many does', () => {
    expect(same(['a', 'b'], ['b', 'a'])).toBe(true)
    expect(same(['a'], ['a', 'a'])).toBe(false)
    expect(same([], [])).toBe(true)
  })
})

describe('units', () => {
  afterEach(() => {
    system.value = 'metric'
  })

  test('metres to the centimetre, finer where it is exact', () => {
    expect([length('21950 mm'), length('21926 mm'), length('12400 mm'), length('0 mm'), length('3000 mm')]).toEqual([
      '21.95 m',
      '21.926 m',
      '12.40 m',
      '0.00 m',
      '3.00 m',
    ])
    expect([short('6.35 mm'), short('450 mm')]).toEqual(['6.35 mm', '450 mm'])
    expect(inWords('A 1500 mm + B 900 mm')).toBe('A 1.50 m + B 0.90 m')
  })

  test('figures of the bench stay in millimetres, and areas are left alone', () => {
    expect(inFigures('6 circles, 30.7 mm round, from 12400 mm')).toBe('6 circles, 30.7 mm round, from 12.40 m')
    expect([inFigures('72 mm²'), inWords('72 mm²')]).toEqual(['72 mm²', '72 mm²'])
    system.value = 'inch'
    expect(inFigures('25.4 mm')).toBe('1 in')
  })

  test('feet and inches as fractions', () => {
    system.value = 'feet'
    // 25.4 mm to the inch, by definition.
    expect([length('25.4 mm'), length('6.35 mm'), length('304.8 mm'), length('3048 mm'), length('1079.5 mm')]).toEqual([
      '1 in',
      '1/4 in',
      '1 ft 0 in',
      '10 ft 0 in',
      '3 ft 6 1/2 in',
    ])
    expect(length('-3048 mm')).toBe('-10 ft 0 in')
    system.value = 'inch'
    expect([length('1079.5 mm'), short('-38.1 mm'), length('0.396875 mm')]).toEqual([
      '42 1/2 in',
      '-1 1/2 in',
      '1/64 in',
    ])
  })

  test('inches as the server prints them', () => {
    for (const [canonical, inch, feet] of table) {
      system.value = 'inch'
      expect([length(canonical!), short(canonical!)], canonical).toEqual([inch, inch])
      system.value = 'feet'
      expect([length(canonical!), short(canonical!)], canonical).toEqual([feet, inch])
    }
  })

  test('a sentence says how thick in millimetres and how long in metres', () => {
    expect(inWords('53.6 mm thick; a pair is 2.8 mm thick; the plug takes 3 to 6.5 mm')).toBe(
      '53.6 mm thick; a pair is 2.8 mm thick; the plug takes 3 to 6.5 mm',
    )
    expect(inWords('after 12400 mm, bent by 300 mm')).toBe('after 12.40 m, bent by 0.30 m')
    expect(inWords('from 3000 to 6500 mm')).toBe('from 3.00 m to 6.50 m')
    system.value = 'inch'
    expect(inWords('the plug takes 3.175 to 6.35 mm')).toBe('the plug takes 1/8 in to 1/4 in')
  })
})

test('colours have a letter code, and stripes keep both', () => {
  // Letter codes of IEC 60757.
  expect(['brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white', 'black'].map(code)).toEqual([
    'BN',
    'RD',
    'OG',
    'YE',
    'GN',
    'BU',
    'VT',
    'GY',
    'WH',
    'BK',
  ])
  expect(code('white/blue')).toBe('WH/BU')
  expect(hex('blue')).not.toBe(hex('green'))
})

test('an id is made of a name, whatever it is written with', () => {
  expect(['Crawl duct', ' Étage 2 / nord ', 'Riser--A', '7'].map(slug)).toEqual([
    'crawl-duct',
    'etage-2-nord',
    'riser-a',
    '7',
  ])
  expect(slug('機材室')).toMatch(/^x-[0-9a-f]{8}$/)
})

test('a strand can be heard', () => {
  expect(
    spoken([
      { stage: 'cut', state: 'done' },
      { stage: 'test', state: 'failed' },
    ]),
  ).toBe('cut done, test failed')
})
