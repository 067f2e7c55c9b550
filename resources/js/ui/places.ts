import type { Role } from '../api/types'

/** Places of work, in the order of the job; each by the key that leads there after g. */
export const PLACES = [
  { path: '/rules', name: 'Rules', key: 'r' },
  { path: '/schedule', name: 'Schedule', key: 's' },
  { path: '/looms', name: 'Looms', key: 'l' },
  { path: '/cutting', name: 'Cutting', key: 'c' },
  { path: '/parts', name: 'Parts', key: 'p' },
  { path: '/labels', name: 'Labels', key: 'a' },
  { path: '/bench', name: 'Bench', key: 'b' },
  { path: '/crew', name: 'Crew', key: 'w' },
  { path: '/test', name: 'Test', key: 't' },
  { path: '/site', name: 'Site', key: 'i' },
  { path: '/progress', name: 'Progress', key: 'o' },
  { path: '/handover', name: 'Hand-over', key: 'h' },
]

/** What concerns whoever is signed in, wherever they are. */
export const NOTICES = { path: '/notices', name: 'Notices', key: 'n' }

/** What each role works with on a phone, what it needs most first. */
const NEAR: Record<Role, string[]> = {
  bench: ['/bench', '/cutting', '/labels'],
  installer: ['/site', '/bench', '/labels'],
  tester: ['/test', '/site', '/schedule'],
  planner: ['/schedule', '/looms', '/rules'],
  lead: ['/crew', '/test', '/handover'],
}
/** As many as a thumb finds without looking. */
const MOST = 3

/** The places that stand in a phone's bar: of several roles the first of each, then what comes next. */
export function nearest(roles: Role[]): string[] {
  const lists = roles.length ? roles.map(role => NEAR[role]) : [NEAR.planner]
  const all = Array.from({ length: MOST }, (_, i) => lists.map(list => list[i] ?? '')).flat()
  return [...new Set(all.filter(Boolean))].slice(0, MOST)
}

/** Where somebody begins: at what their role works with first. */
export const landing = (roles: Role[]): string => nearest(roles)[0]!

export const isHere = (place: string, route: string) =>
  route.startsWith(place) ||
  (place === '/schedule' && (route.startsWith('/runs') || route === '/patterns' || route.startsWith('/reach')))
