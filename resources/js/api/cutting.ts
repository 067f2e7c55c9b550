import type { Schemas } from './types'

export type Cutting = Schemas['Cutting']
export type CableCuts = Schemas['CuttingCable']
export type Assigned = Schemas['CuttingAssigned']
export type Stock = Schemas['CuttingStock']
export type Marks = NonNullable<Stock['marks']>
export type Cut = Schemas['CuttingCut']
export type ReelPart = Schemas['FileReel']
