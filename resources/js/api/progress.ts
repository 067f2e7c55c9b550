import type { Schemas } from './types'

export type ProgressAnswer = Schemas['ProgressPage']
export type Group = Schemas['GroupShown']
export type Hours = Schemas['HoursShown']
export type CableCut = Schemas['CableCut']
