import { describe, expect, test } from 'vitest'
import { apart, compare, differing, take } from '../../resources/js/api/stale'

const both = {
  message: 'Somebody else was first.',
  yours: { name: 'mine', parts: ['a', 'b'], at: { x: 1 }, same: 3, off: null },
  theirs: { name: 'theirs', parts: ['a'], at: { x: 2 }, same: 3, off: '', more: true },
}

describe('two versions', () => {
  test('what differs is shown, what is the same is not', () => {
    expect(differing(both)).toEqual([
      { field: 'name', yours: 'mine', theirs: 'theirs' },
      { field: 'parts', yours: 'a, b', theirs: 'a' },
      { field: 'at', yours: 'x: 1', theirs: 'x: 2' },
      { field: 'more', yours: '—', theirs: 'true' },
    ])
  })

  test('they wait for an answer, and a later pair takes the place of an earlier one', async () => {
    const first = compare(both)
    const second = compare({ ...both, message: 'again' })
    await expect(first).resolves.toBe('theirs')
    expect(apart.value?.message).toBe('again')
    take('mine')
    await expect(second).resolves.toBe('mine')
    expect(apart.value).toBeNull()
  })
})
