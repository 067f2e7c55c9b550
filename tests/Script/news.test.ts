import { expect, test } from 'vitest'
import { withNews } from '../../resources/js/plan/schedule/news'

const row = (id: string, code = id) => ({ id, code })

test('rows that are others since stand where they stood, new ones last, and those that are gone nowhere', () => {
  const rows = [row('a'), row('b'), row('c')]
  expect(withNews(rows, [row('d'), row('b', 'B')], ['a'])).toEqual([row('b', 'B'), row('c'), row('d')])
  expect(rows).toEqual([row('a'), row('b'), row('c')])
})

test('what is as it was stays the same thing, so that nothing of it is drawn again', () => {
  const rows = [row('a'), row('b')]
  const now = withNews(rows, [row('b', 'B')], [])
  expect(now[0]).toBe(rows[0])
  expect(now[1]).not.toBe(rows[1])
  expect(withNews(rows, [], ['never there'])).toEqual(rows)
})
