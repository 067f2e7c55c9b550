import type { Schemas } from './types'

export type Board = Schemas['BoardShown']
export type BoardPerson = Schemas['BoardPerson']
export type Ahead = Schemas['BookingShown']
export type Family = Schemas['FamilyYield']
export type CrewAnswer = Schemas['CrewPage']
export type Member = Schemas['CrewMember']
export type Given = CrewAnswer['given'][number]
