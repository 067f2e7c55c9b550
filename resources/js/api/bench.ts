import type { Schemas } from './types'

export type JobLine = Schemas['QueueLine']
export type Given = Schemas['GivenTo']
export type Placed = Schemas['StandsAt']
export type Job = Schemas['JobPage']
export type Step = Schemas['JobStep']
export type Piece = Schemas['JobPiece']
export type BenchCore = NonNullable<Piece['cores']>[number]
export type Flaw = NonNullable<Step['flaws']>[number]
export type Remedy = Schemas['Disposition']
export type JobFitting = Schemas['JobFitting']
export type Block = JobFitting['blocks'][number]
export type JobState = Schemas['JobState']
export type Standing = Schemas['StepStanding']
/** As a page knows it before the server does: what it is done on comes with the answer. */
export type Stands = Partial<Standing> & Pick<Standing, 'status'>
export type Status = Schemas['Status']
export type Said = Schemas['Said']
/** Two records of one step that were made apart from each other. */
export type BenchConflict = Schemas['BenchConflict']
export type ReworkPlan = Schemas['ReworkShown']
export interface BenchEvent {
  id: string
  kind: string
  run: string
  at: string
  on?: string[]
  step?: string
  note?: string
  took?: number
  of?: string
  flag?: string
  remedy?: Remedy
  flaws?: Record<string, Remedy>
  joint?: string
  /** Flaws that are put right, a stroke between them. */
  found?: string
}
