import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'

interface Told {
  cursor: string
  rows: { id: string; code: string }[] | null
  isPart: boolean
  gone: string[]
}
const server = vi.hoisted(() => ({ asked: [] as string[], answers: [] as unknown[] }))
const kept = vi.hoisted(() => new Map<string, string>())
vi.mock('../../resources/js/api/page', () => ({ file: (path: string) => `/api/i/here/${path}` }))
vi.mock('../../resources/js/api/client', () => ({
  api: {
    get: (path: string) => {
      server.asked.push(path)
      const answer = server.answers.shift()
      return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer)
    },
  },
}))

/** As much of what a browser keeps as is asked of it. */
const caches = {
  has: () => Promise.resolve(true),
  open: () =>
    Promise.resolve({
      put: async (place: string, answer: Response) => void kept.set(place, await answer.text()),
      match: (place: string) => Promise.resolve(kept.has(place) ? new Response(kept.get(place)) : undefined),
    }),
}
Object.assign(globalThis, { window: globalThis, caches })

const row = (id: string, code = id) => ({ id, code })
const told = (cursor: string, rows: Told['rows'], gone: string[] = [], isPart = true): Told => ({
  cursor,
  rows,
  isPart,
  gone,
})
const begin = async () => {
  setActivePinia(createPinia())
  return (await import('../../resources/js/plan/schedule/useRows')).useRows()
}
const codes = (of: { rows: { code: string }[] }) => of.rows.map(each => each.code)

beforeEach(() => {
  server.asked = []
  server.answers = []
  kept.clear()
})

test('all of it is read once, and what is new since by itself', async () => {
  const schedule = await begin()
  server.answers = [
    told('1', [row('a'), row('b'), row('c')], [], false),
    told('2', [row('b', 'B'), row('d')], ['a']),
    told('2', null),
  ]
  for (let i = 0; i < 3; i++) await schedule.load()
  expect(server.asked).toEqual(['schedule', 'schedule?since=1', 'schedule?since=2'])
  expect(codes(schedule)).toEqual(['B', 'c', 'd'])
})

test('whoever asks while it is being read is told of what came since', async () => {
  const schedule = await begin()
  server.answers = [told('1', [row('a')], [], false), told('2', [row('a', 'A')])]
  await Promise.all([schedule.load(), schedule.load()])
  expect(server.asked).toEqual(['schedule', 'schedule?since=1'])
  expect(codes(schedule)).toEqual(['A'])
})

test('a page that opens without a network knows what the one before it was told', async () => {
  const before = await begin()
  server.answers = [told('1', [row('a'), row('b')], [], false), told('2', [row('b', 'B')]), told('3', [], ['a'])]
  for (let i = 0; i < 3; i++) await before.load()
  // The device hands out what it read last as a whole.
  const after = await begin()
  server.answers = [told('1', [row('a'), row('b')], [], false)]
  await after.load()
  expect(codes(after)).toEqual(['B'])
  server.answers = [told('4', [row('b', 'BB')])]
  await after.load()
  expect(server.asked.at(-1)).toBe('schedule?since=3')
  expect(codes(after)).toEqual(['BB'])
  // Of another whole, what was told since that one says nothing.
  const later = await begin()
  server.answers = [told('9', [row('a'), row('b')], [], false)]
  await later.load()
  expect(codes(later)).toEqual(['a', 'b'])
})

test('what cannot be told in part comes whole, and a failure is no reason to forget', async () => {
  const schedule = await begin()
  server.answers = [
    told('1', [row('a')], [], false),
    new Error('away'),
    told('5', [row('x'), row('y')], [], false),
    told('6', [row('y', 'Y')]),
  ]
  await schedule.load()
  await expect(schedule.load()).rejects.toThrow('away')
  expect(codes(schedule)).toEqual(['a'])
  await schedule.load()
  expect(codes(schedule)).toEqual(['x', 'y'])
  await schedule.load()
  expect(server.asked).toEqual(['schedule', 'schedule?since=1', 'schedule?since=1', 'schedule?since=5'])
  expect(codes(schedule)).toEqual(['x', 'Y'])
})
