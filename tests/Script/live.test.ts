import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'

const asked = vi.hoisted(() => {
  // As much of a browser as an interval asks for.
  const document = Object.assign(new EventTarget(), { hidden: false, createElement: () => ({}) })
  Object.assign(globalThis, { window: globalThis, document })
  return { marks: {} as Record<string, string>, times: 0, away: false }
})
vi.mock('../../resources/js/api/page', () => ({ page: { value: { id: 1 } } }))
vi.mock('../../resources/js/api/client', () => ({
  api: {
    get: (path: string) => {
      expect(path).toBe('since')
      asked.times++
      return asked.away ? Promise.reject(new Error('away')) : Promise.resolve({ ...asked.marks })
    },
  },
}))

const ROUND = 4000
const round = (times = 1) => vi.advanceTimersByTimeAsync(ROUND * times)

describe('one question for a whole page', () => {
  let scope: EffectScope
  let live: typeof import('../../resources/js/api/live')
  beforeEach(async () => {
    vi.useFakeTimers()
    Object.assign(asked, { marks: { decided: '1', recorded: '1', told: '1', present: '' }, times: 0, away: false })
    vi.resetModules()
    live = await import('../../resources/js/api/live')
    scope = effectScope()
    scope.run(() => {
      live.useAsking()
    })
    await round()
  })
  afterEach(() => {
    scope.stop()
    vi.useRealTimers()
  })
  const listen = (of: Parameters<typeof live.useLive>[0], every = 0, changed: () => unknown = () => undefined) => {
    const spy = vi.fn(changed)
    scope.run(() => {
      live.useLive(of, every, spy)
    })
    return spy
  }

  test('only who shows what has changed looks again, and once', async () => {
    const plan = listen(['decided'])
    const record = listen(['decided', 'recorded'])
    await round(3)
    expect(plan).not.toHaveBeenCalled()
    asked.marks.recorded = '2'
    await round(3)
    expect(plan).not.toHaveBeenCalled()
    expect(record).toHaveBeenCalledTimes(1)
    asked.marks.decided = '2'
    await round(2)
    expect(plan).toHaveBeenCalledTimes(1)
    expect(record).toHaveBeenCalledTimes(2)
  })

  test('however many listen, one question is asked', async () => {
    for (let i = 0; i < 9; i++) listen(['recorded'])
    const before = asked.times
    await round(5)
    expect(asked.times - before).toBe(5)
  })

  test('who cannot look now is asked again', async () => {
    let free = false
    const busy = listen(['recorded'], 0, () => free)
    asked.marks.recorded = '2'
    await round(2)
    expect(busy).toHaveBeenCalledTimes(2)
    free = true
    await round(3)
    expect(busy).toHaveBeenCalledTimes(3)
  })

  test('where somebody always records, it looks no more often than it wants to', async () => {
    const slow = listen(['recorded'], 20_000)
    for (let i = 2; i < 32; i++) {
      asked.marks.recorded = String(i)
      await round()
    }
    // Thirty rounds are two minutes.
    expect(slow.mock.calls.length).toBeGreaterThanOrEqual(5)
    expect(slow.mock.calls.length).toBeLessThanOrEqual(6)
    await round(6)
    const last = slow.mock.calls.length
    await round(10)
    expect(slow).toHaveBeenCalledTimes(last)
  })

  test('who has gone hears nothing; a server that is away is told of', async () => {
    const away = vi.fn()
    const gone = effectScope()
    const other = vi.fn()
    gone.run(() => {
      live.useLive(['recorded'], 0, other)
    })
    scope.run(() => {
      live.useLive(['recorded'], 0, () => undefined, away)
    })
    gone.stop()
    asked.marks.recorded = '2'
    await round()
    expect(other).not.toHaveBeenCalled()
    asked.away = true
    await round()
    expect(away).toHaveBeenCalledTimes(1)
  })

  test('who looked before anything was known looks once more', async () => {
    vi.resetModules()
    const early = await import('../../resources/js/api/live')
    const spy = vi.fn()
    scope.run(() => {
      early.useLive(['recorded'], 0, spy)
      early.useAsking()
    })
    await round(3)
    expect(spy).toHaveBeenCalledTimes(1)
  })
})
