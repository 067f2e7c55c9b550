import type { Schemas } from './types'

export type LoomLine = Schemas['LoomLine']
export type Loom = Schemas['LoomPage']
export type LoomPart = Schemas['FileLoom']
export type Segment = Schemas['LoomSegment']
export type Circle = Segment['circles'][number]
export type Piece = Schemas['LoomPiece']
export type Branch = Loom['branches'][number]
export type Replanned = Schemas['ReplannedShown']
export type LoomAhead = Schemas['LoomAhead']
