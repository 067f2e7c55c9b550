import type { Figure } from './figure'
import type { Finding, Worked } from './types'

export type { Figure, FigureTerm } from './figure'

export type Point = [number, number]
export interface RackPart {
  units: number
  entry: 'top' | 'bottom'
  across: string
}
export interface PlacePart {
  id: string
  name: string
  fire?: string
  at?: Point
  rack?: RackPart
}
export interface WayPart {
  id: string
  name: string
  kind: string
  length: string
  from?: string
  to?: string
  inner?: string[]
  bends?: number
  bendRadius?: string
  environment?: string[]
  takes?: string
  fire?: string
  fillLimit?: number
}
export interface PanelPart {
  id: string
  name: string
  location: string
  rows: number
  columns: number
  left?: string
  top?: string
  pitch: string
  rise: string
  entryAcross?: string
  entryDown?: string
  bars?: string[]
  depth?: string
  dressing?: string
  tails?: string
  unit?: number
  places?: Record<string, string>
}

export interface Location {
  part: PlacePart
  version: number
  ends: number
}
export interface Junction {
  part: PlacePart
  version: number
}
export interface Way {
  part: WayPart
  version: number
  runs: { id: string; code: string; pinned: boolean }[]
  families: Record<string, number>
  fill: Figure | null
  rule: { design: number; most: number; source: string } | null
  jam: Figure | null
  bend: Figure | null
  mass: Figure | null
  findings: Finding[]
}
export interface Tail {
  place: string
  order: number
  fitting: string
  tail: Worked
}
export interface Panel {
  part: PanelPart
  version: number
  tails: Tail[]
  climb: { detail: string; amount: string; source: string } | null
}
export interface Building {
  locations: Location[]
  junctions: Junction[]
  ways: Way[]
  panels: Panel[]
  routes: Record<string, string[]>
  fittings: Record<string, { id: string; label: string }[]>
  findings: Finding[]
}

export interface Rerouted {
  routes: { code: string; was: string[]; is: string[] }[]
  routesCount: number
  cuts: { code: string; was: string; is: string }[]
  cutsCount: number
  overtaken: string[]
  comes: Finding[]
  goes: Finding[]
}
