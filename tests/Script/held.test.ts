import { expect, test } from 'vitest'
import { heldOf, hold } from '../../resources/js/api/held'

test('what was used last is held, and no more than there is room for', () => {
  for (let i = 0; i < 40; i++) hold(`a${i}`, `W/"${i}"`, `text ${i}`)
  expect(heldOf('a39')).toEqual({ tag: 'W/"39"', text: 'text 39' })
  expect(heldOf('a16')?.text).toBe('text 16')
  expect(heldOf('a15')).toBeUndefined()
  hold('a16', 'W/"again"', 'again')
  hold('b', 'W/"b"', 'x'.repeat(15_999_000))
  expect(heldOf('b')?.tag).toBe('W/"b"')
  expect(heldOf('a16')?.text).toBe('again')
  expect(heldOf('a18')).toBeDefined()
  hold('c', 'W/"c"', 'y'.repeat(15_999_990))
  expect(heldOf('b')).toBeUndefined()
  expect(heldOf('c')).toBeDefined()
})

test('an answer without a tag, or of no measure, is not held, and neither is what was held before it', () => {
  hold('d', 'W/"1"', 'one')
  hold('d', null, 'two')
  expect(heldOf('d')).toBeUndefined()
  hold('d', 'W/"3"', 'z'.repeat(16_000_001))
  expect(heldOf('d')).toBeUndefined()
})
