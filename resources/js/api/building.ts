import type { Schemas } from './types'

export type { Figure, FigureTerm } from './figure'

export type Building = Schemas['Building']
export type Location = Building['locations'][number]
export type Junction = Building['junctions'][number]
export type PlacePart = Schemas['FileLocation']
export type RackPart = NonNullable<PlacePart['rack']>
export type Point = NonNullable<PlacePart['at']>
export type Way = Schemas['BuildingWay']
export type Panel = Schemas['BuildingPanel']
export type Tail = Panel['tails'][number]
export type WayPart = Schemas['FileWay']
export type PanelPart = Schemas['FilePanel']
export type Rerouted = Schemas['ReroutedShown']
