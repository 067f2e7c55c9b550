import { expect, it } from 'vitest'
import { alike } from '../../resources/js/ui/alike'

const gap = (code: string, words: string) => ({ code, words })
const fold = (all: { code: string; words: string }[]) =>
  alike(
    all,
    each => each.words,
    each => [each.code],
  ).map(({ words, of }) => [words, of.map(each => each.code)])

it('says once what is said of many, and leaves out whom', () => {
  expect(
    fold([
      gap('R-1', 'End A of R-1 is too thick.'),
      gap('R-2', 'R-2 has no route.'),
      gap('R-10', 'End A of R-10 is too thick.'),
      gap('R-3', 'End B of R-3 is too thick.'),
    ]),
  ).toEqual([
    ['End A of … is too thick.', ['R-1', 'R-10']],
    ['R-2 has no route.', ['R-2']],
    ['End B of R-3 is too thick.', ['R-3']],
  ])
})

it('keeps every one of them, however many, and the sentence of a single one whole', () => {
  const many = Array.from({ length: 500 }, (_, i) => gap(`R-${i}`, `R-${i} waits for R-${i % 7 === 0 ? i : 'x'}.`))
  const folded = fold(many)
  expect(folded.map(([, codes]) => codes!.length).reduce((sum, each) => sum + each)).toBe(500)
  expect(folded).toHaveLength(2)
  expect(fold([gap('A', 'A is A.')])).toEqual([['A is A.', ['A']]])
  expect(fold([])).toEqual([])
})

it('knows a name from a longer one that begins like it', () => {
  expect(fold([gap('R-1', 'R-1 leads to R-10.'), gap('R-2', 'R-2 leads to R-20.')])).toEqual([
    ['R-1 leads to R-10.', ['R-1']],
    ['R-2 leads to R-20.', ['R-2']],
  ])
  expect(fold([gap('A.1', 'A.1 waits.'), gap('A+1', 'A+1 waits.')])).toEqual([['… waits.', ['A.1', 'A+1']]])
})

it('takes the longer of two names first', () => {
  const all = [
    { code: 'D-1', at: 'D-1 north', words: 'D-1 north is full of D-1.' },
    { code: 'D-2', at: 'D-2 north', words: 'D-2 north is full of D-2.' },
  ]
  expect(
    alike(
      all,
      each => each.words,
      each => [each.code, each.at],
    ),
  ).toHaveLength(1)
})
