import { beforeEach, describe, expect, it } from 'vitest'
import { clock, dated, dates, tick, weekday, when } from '../../resources/js/ui/dates'

beforeEach(() => {
  dates.value = 'system'
})

describe('dates', () => {
  it('are in figures that can be put in order, where somebody wants them so', () => {
    dates.value = 'figures'
    expect(dated('2026-03-09')).toBe('2026-03-09')
    expect(weekday('2026-03-09')).toBe('Mon 2026-03-09')
    expect(weekday('2026-03-09', true)).toBe('Monday 2026-03-09')
    expect(tick(new Date(2026, 2, 9))).toBe('03-09')
    expect(when('2026-03-09T14:05:00')).toBe('2026-03-09, 14:05')
  })
  it('have the month as a word, whatever the system’s language', () => {
    dates.value = 'words'
    expect(dated('2026-03-09')).toBe('9 Mar 2026')
    expect(weekday('2026-03-09', true)).toBe('Monday 9 March')
    expect(clock('2026-03-09T14:05:00')).toBe('14:05')
    expect(when('2026-03-09T14:05:00')).toBe('09 Mar, 14:05')
  })
  it('are the system’s otherwise, and a day is that day in every zone', () => {
    const day = { day: 'numeric', month: 'short', year: 'numeric' } as const
    expect(dated('2026-03-09')).toBe(new Date(2026, 2, 9).toLocaleDateString(undefined, day))
  })
})
