import type { Figure } from './building'
import type { Bead, BeadState, Worked } from './types'

export interface SiteStep {
  id: string
  words: string
  said: string
  kind: string
  side: 'A' | 'B' | null
}
export interface Built {
  length: string | null
  ways: string[] | null
  difference: string | null
}
export interface SiteRun {
  id: string
  basis?: string[]
  code: string
  cable: string
  mains: boolean
  build: 'shop' | 'site'
  from: string
  to: string
  ends: { A: string; B: string }
  cut: Worked
  ways: string[]
  steps: Record<string, BeadState>
  strand: Bead[]
  /** Made, where it is made at the bench. */
  ready: boolean
  built: Built | null
}
export interface Pull {
  id: string
  mains: boolean
  from: string
  to: string
  ways: { id: string; name: string; kind: string; length: string }[]
  runs: string[]
  length: string
  tension: Figure
  bend: Figure
  stops: string[]
  leads: Record<string, string>
  hindrances: string[]
}
export interface Site {
  pulls: Pull[]
  unplaced: string[]
  runs: Record<string, SiteRun>
  ways: { id: string; name: string }[]
  steps: SiteStep[]
}
