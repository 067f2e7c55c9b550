import type { Figure, Rerouted } from './building'
import type { Finding, Worked } from './types'

export interface LoomLine {
  id: string
  name: string
  covering: string
  members: number
  root: string
  segments: number
  thickest: Figure | null
  mass: number
  findings: Finding[]
}
export interface Circle {
  x: number
  y: number
  r: number
  sheath: string
  code: string
}
export interface Piece {
  name: string
  for: string
  cut: Worked
}
export interface Segment {
  id: string
  before: string | null
  lane: number
  beside: boolean
  way: string
  wayName: string
  wayLength: string
  from: string
  to: string
  start: string
  end: string
  length: string
  members: string[]
  circles: Circle[]
  diameter: Figure
  bend: Figure
  mass: Figure
  sleeve: Piece | null
  shrinks: Piece[]
  tie: string
  points: string[]
}
export interface Branch {
  at: string
  atName: string
  into: string
  intoName: string
  junction: string
  by: string
  least: string
  most: string
  members: string[]
}
export interface LoomPart {
  id: string
  name: string
  root?: string
  covering?: string
  tieEvery?: string
  oneReel?: boolean
  breakouts?: { at: string; into?: string; by: string }[]
}
export interface Loom {
  part: LoomPart
  version: number
  root: string
  rootName: string
  segments: Segment[]
  branches: Branch[]
  ends: { code: string; side: string; place: string; after: string | null; start: string; beside: string }[]
  members: { id: string; code: string; cable: string; sheath: string; cut: Worked }[]
  findings: Finding[]
}
export interface Replanned {
  moved: { code: string; from: string; to: string }[]
  again: string[]
  done: string[]
  bought: { cable: string; reels: number }[]
}
export interface LoomAhead {
  loom: Loom
  rerouted: Rerouted
  replanned: Replanned
}
