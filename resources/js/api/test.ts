import type { Schemas } from './types'

export type Stage = Schemas['TestStage']
export type VerdictWord = Schemas['Verdict']
/** What lights, a number in the method's unit ("open": nothing conducts), or a word. */
export type Value = Question['expected']

export type TestSheet = Schemas['TestSheet']
export type Probe = Schemas['ProbeAt']
export type Question = Schemas['Question']
/** What there is to know of a method; the trade's figures come with it. */
export type MethodCard = Schemas['MethodCard']
export type PlannedTest = TestSheet['plan'][number]
export type Instrument = Schemas['InstrumentWith']
export type Trial = Schemas['Trial']

/** A reading that is being taken has its map from the start. */
export type Reading = Schemas['FileReading'] & Required<Pick<Schemas['FileReading'], 'lights'>>
export type Sample = NonNullable<Reading['samples']>[number]

export type Coverage = Schemas['CoverageShown']
export type CoverageCheck = Coverage['checks'][number]

export type Judgement = Schemas['Judgement']
export type Trouble = Judgement['troubles'][number]
export type Entry = Trouble['entries'][number]
export type Fault = Trouble['causes'][number][number]
export type NextReading = Schemas['ReadNext']

export type NamedFault = Schemas['FaultShown']
export type InstrumentsPage = Schemas['InstrumentsPage']
export type Family = InstrumentsPage['families'][number]
export type Exercise = Schemas['ExerciseShown']
export type Training = Schemas['ExercisePage']
export type Named = Schemas['CauseNamed']
export type Tally = Schemas['Tally']
export type Progress = Schemas['TestProgressPage']
