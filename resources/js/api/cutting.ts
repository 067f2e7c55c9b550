import type { Finding, Worked } from './types'

export interface Marks {
  unit: 'm' | 'ft'
  rising: boolean
  at: number
}
export interface Stock {
  id: string
  name: string
  kind: 'piece' | 'offcut' | 'reel' | 'to-buy'
  left: string
  gone: string
  marks: Marks | null
}
export interface Cut {
  run: string
  basis?: string[]
  code: string
  loom: string
  from: string
  to: string
  build: string
  length: string
  at: string
  markFrom: number | null
  markTo: number | null
  worked: Worked
}
export interface Assigned {
  stock: Stock
  cuts: Cut[]
  used: string
  rest: string
  usable: boolean
}
export interface CableCuts {
  id: string
  name: string
  sheath: string
  diameter: string
  needed: string
  onShelf: string
  bought: number
  atLeast: number
  reel: string | null
  scrap: string
  kept: string
  assigned: Assigned[]
  untouched: Stock[]
  unmet: { code: string; length: string }[]
  findings: Finding[]
}
export interface ReelPart {
  id: string
  cable: string
  length: string
  offcut?: boolean
  marks?: { unit: 'm' | 'ft'; rising: boolean; start: number }
  note?: string
}
export interface Cutting {
  usable: string
  cables: CableCuts[]
  reels: { part: ReelPart; version: number }[]
  findings: Finding[]
  recorded: {
    code: string
    length: string
    reel: string
    from: number | null
    to: number | null
    short: boolean
    who: string
    at: string
    note: string
  }[]
}
