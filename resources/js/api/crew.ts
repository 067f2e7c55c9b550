import type { Figure } from './building'

export interface Ahead {
  job: string
  code: string
  words: string
  from: number
  minutes: number
}
export interface BoardPerson {
  id: string
  name: string
  skills: string[]
  at: { job: string; code: string } | null
  today: number
}
export interface Family {
  family: string
  looked: number
  reworked: number
  flags: number
  yield: number | null
  found: Record<string, number>
}
export interface Board {
  forecast: {
    hours: Figure
    finish: string
    basis: string
    bottleneck: string
    stuck: string[]
    ahead: Record<string, Ahead[]>
  }
  people: BoardPerson[]
  stopped: { id: string; codes: string[]; hold: string | null; questions: number; next: string }[]
  done: { jobs: number; of: number }
  families: Family[]
}
export interface Member {
  id: string
  signIn: string
  name: string
  roles: string[]
  skills: string[]
  version: number
  /** Not of the crew any more; known to its record. */
  left: boolean
  retired: boolean
  signsIn: boolean
}
export interface Given {
  id: number
  person: string
  kind: 'loom' | 'assembly' | 'skill'
  key: string
}
export interface CrewAnswer {
  people: Member[]
  /** Of the organisation, and not of this crew. */
  colleagues: { id: string; name: string }[]
  /** Whether who asks may invite new people. */
  invites: boolean
  given: Given[]
  skills: { id: string; name: string }[]
  looms: { id: string; name: string }[]
  jobs: { id: string; name: string }[]
  workshop: { benches: number; hours: number; tools?: Record<string, number> }
  tools: string[]
  version: number
  times: { pace: string; minutes: Figure; measured: boolean }[]
}
