import { describe, expect, it } from 'vitest'
import { isHere, nearest, PLACES } from '../../resources/js/ui/places'

describe('the places that stand in a phone’s bar', () => {
  it('are what the role works with, three of them', () => {
    expect(nearest(['bench'])).toEqual(['/bench', '/cutting', '/labels'])
    expect(nearest(['tester'])[0]).toBe('/test')
  })
  it('are of several roles the first of each', () => {
    expect(nearest(['bench', 'installer', 'tester'])).toEqual(['/bench', '/site', '/test'])
    expect(nearest(['bench', 'installer'])).toEqual(['/bench', '/site', '/cutting'])
  })
  it('are there for whoever has no role, and all of them lead somewhere', () => {
    for (const roles of [[], ['lead'], ['planner'], ['installer']] as const) {
      const near = nearest([...roles])
      expect(new Set(near).size).toBe(3)
      expect(near.filter(path => !PLACES.some(place => place.path === path))).toEqual([])
    }
  })
})

it('a run’s own page is a part of the schedule', () => {
  expect(PLACES.filter(place => isHere(place.path, '/runs/A-114')).map(place => place.name)).toEqual(['Schedule'])
  expect(PLACES.filter(place => isHere(place.path, '/bench/A-114')).map(place => place.name)).toEqual(['Bench'])
})
