import { describe, expect, it } from 'vitest'
import { ask, asked, choose, looked, looking } from '../../resources/js/api/ask'
import type { Impact } from '../../resources/js/api/change'

const impact = (words: string) => ({ words, isOpen: true }) as Impact

describe('what an edit overtakes, asked before it is made', () => {
  it('stays in sight while more is looked for, and is what was found then', async () => {
    const first = ask(impact('as far as it was read'))
    choose('weigh')
    expect(await first).toBe('weigh')
    expect(looking.value).toBe(true)
    expect(asked.value?.words).toBe('as far as it was read')
    const second = ask(impact('with everything'))
    expect(looking.value).toBe(false)
    expect(asked.value?.words).toBe('with everything')
    choose('accept')
    expect(await second).toBe('accept')
    looked()
    expect(asked.value).toBeNull()
  })

  it('goes where it overtakes nothing any more, or what was looked for cannot be had', async () => {
    const first = ask(impact('as far as it was read'))
    choose('weigh')
    await first
    looked()
    expect(asked.value).toBeNull()
    expect(looking.value).toBe(false)
  })

  it('is dropped by a second edit, whose own impact stays', async () => {
    const first = ask(impact('one'))
    const second = ask(impact('another'))
    expect(await first).toBe('drop')
    looked()
    expect(asked.value?.words).toBe('another')
    choose('drop')
    expect(await second).toBe('drop')
    expect(asked.value).toBeNull()
  })
})
