import type { Schemas } from './types'

export type LabelsAnswer = Schemas['LabelsInPart']
export type LabelLine = Schemas['LabelLine']
export type LabelScheme = LabelsAnswer['scheme']
export type Geometry = Schemas['Geometry']
export type LabelFinding = Schemas['LabelFinding']
export type RollState = Schemas['RollState']
