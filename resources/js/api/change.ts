import type { Schemas } from './types'

/** One way to put overtaken work right. `how`: confirmed here, back to the bench, or done where it belongs. */
export type Remedy = Schemas['ImpactRemedy']
export type Overtaken = Schemas['ImpactOvertaken']
export type RunImpact = Schemas['ImpactRun']
export type PartToBuy = Schemas['ImpactPart']
export type Impact = Schemas['ImpactShown']

export type Release = Schemas['ReleaseLine']
export type ChangeLine = Schemas['Differing']
export type Draft = Schemas['DraftShown']
export type Leeway = Schemas['LeewayShown']
