import { describe, expect, it } from 'vitest'
import type { Row } from '../../resources/js/api/types'
import { behind, wordsOf } from '../../resources/js/later/progress/behind'
import { filtered } from '../../resources/js/plan/schedule/filter'

const run = (code: string, loom: string, from: string, cut: string, test: string, who: string[] = []): Row => ({
  id: code,
  version: 1,
  code,
  family: 'multicore',
  cable: '8-pair "multicore"',
  build: 'shop',
  loom,
  from,
  to: 'Amp rack 1',
  endA: '',
  endB: '',
  signals: [],
  way: [],
  tailA: '0 mm',
  tailB: '0 mm',
  note: '',
  cut: '1000 mm',
  strand: [
    { stage: 'cut', state: cut },
    { stage: 'test', state: test },
  ] as Row['strand'],
  withdrawn: false,
  who,
  findings: [],
})
const ROWS = [
  run('A-1', 'L1', 'Stage', 'done', 'to-do', ['Tove Castellan']),
  run('A-2', 'L1', 'Stage box', 'done', 'done'),
  run('A-3', 'L10', 'Stage', 'to-do', 'to-do'),
  run('A-4', '', 'Amp rack 1', 'overtaken', 'failed'),
  { ...run('A-5', 'L1', 'Stage', 'to-do', 'to-do'), withdrawn: true },
]
const codes = (path: string) => {
  const find = decodeURIComponent(path.split('find=')[1]!)
  return filtered(ROWS, find).map(row => row.code)
}

describe('the runs behind a bead', () => {
  it('are of that group alone, also where another is called nearly so', () => {
    expect(codes(behind(wordsOf('loom', 'L1')))).toEqual(['A-1', 'A-2'])
    expect(codes(behind(wordsOf('loom', 'L10')))).toEqual(['A-3'])
    expect(codes(behind(wordsOf('loom', '')))).toEqual(['A-4'])
    expect(codes(behind(wordsOf('place', 'Stage')))).toEqual(['A-1', 'A-3'])
    expect(codes(behind(wordsOf('place', 'Amp rack 1')))).toEqual(['A-1', 'A-2', 'A-3', 'A-4'])
    expect(codes(behind(wordsOf('cable', '8-pair "multicore"')))).toEqual(['A-1', 'A-2', 'A-3', 'A-4'])
    expect(codes(behind(wordsOf('person', 'Tove Castellan')))).toEqual(['A-1'])
  })
  it('are those that are left there, or those that have come so far', () => {
    expect(codes(behind(wordsOf('loom', 'L1'), 'test', true))).toEqual(['A-1'])
    expect(codes(behind(wordsOf('loom', 'L1'), 'cut', false))).toEqual(['A-1', 'A-2'])
    expect(codes(behind('', 'cut', true))).toEqual(['A-3', 'A-4'])
    expect(codes(behind('failed'))).toEqual(['A-4'])
  })
})

it('a word that is a field’s too is looked for as a word', () => {
  expect(filtered(ROWS, 'done').map(row => row.code)).toEqual(['A-2'])
  expect(filtered(ROWS, 'from').map(row => row.code)).toEqual([])
})
