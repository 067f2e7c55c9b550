import type { components } from './contract'

/** Everything that the server says has its type from the contract (`bin/contract`); here are the names it goes by. */
export type Schemas = components['schemas']

export type Role = Schemas['Role']
export type BeadState = Schemas['BeadState']
export type Severity = Schemas['Severity']
export type Office = Schemas['Office']
export type InstallationRef = Schemas['InstallationRef']
type Open = Schemas['SessionOpen']
export type Person = Open['person']
export type Session = { person: Person | null; demo?: Schemas['DemoShown'] | null } & Partial<
  Pick<Open, 'installations' | 'open'>
>
/** What came of inviting somebody: a link to hand over, or whom it was mailed to. */
export type Invitation = Schemas['InvitationShown']
export interface Named {
  id: string
  name: string
}

export type Bead = Schemas['BeadShown']
/** As the plan tells it; where a row does, it leaves out what it is about. */
export type Finding = Omit<Schemas['FindingShown'], 'code' | 'subject'> &
  Partial<Pick<Schemas['FindingShown'], 'code' | 'subject'>>
export type Row = Schemas['Row']
export type ScheduleView = Schemas['ScheduleView']
export type SavedView = Schemas['SavedViewShown']
export type Worked = Schemas['WorkedOut']
export type Term = Worked['terms'][number]
export type Line = Record<string, string>
export type Reach = Schemas['Reach']

export type Drawing = Schemas['Drawing']
export type Cavity = Drawing['cavities'][number]

export type RunPage = Schemas['RunPage']
export type End = RunPage['ends'][number]
export type Joint = Schemas['RunJoint']
export type Conductor = Pick<Joint, 'conductor' | 'element' | 'core' | 'colour'>
export type Fitting = Schemas['RunFitting']
export type Label = Schemas['LabelText']
export type HistoryEvent = Schemas['HistoryEvent']
export type CircuitOf = Schemas['RunCircuit']
/** What a circuit is asked to carry, beyond the usual of its signal. */
export type Demand = Schemas['FileDemand']

export type Catalogue = Schemas['CatalogueShown']
export type PlanChoice = Catalogue['plans'][number]

export type Change = Schemas['ChangeShown']
export interface RowProblem {
  /** Of a workbook that has several. */
  sheet?: string
  row: number
  column: string
  value: string
  remedy: string
}
/** Each question by its key, whichever rules there are. */
export type Rules = Schemas['FileRules'] & Record<string, unknown>
export type School = Schemas['SchoolCard']
export type Consequences = Schemas['ConsequencesShown']
export type Few = Consequences['ends']

export type Sheet = Schemas['Sheet']
export type SheetFitting = Schemas['FittingSheet']
export type SheetLeg = Schemas['LegSheet']
export type SheetCore = SheetLeg['cores'][number]
export type SheetSlide = Schemas['SheetSlide']
export type SheetBlock = SheetFitting['blocks'][number]

export type TypeKind = Schemas['TypeKind']
export type TypeLine = Schemas['TypeLine']
export type TypesPage = Schemas['TypesPage']
export type TypeDetail = Schemas['TypeDetail']
export type Trial = Schemas['TrialShown']
export type StepRecords = Schemas['StepRecordsShown']['steps']
export type Channels = Record<string, Record<string, string>>
export interface PlanDefinition {
  id: string
  name: string
  connector: string
  channels: Channels
  source?: string
  block?: number
  shared?: string[]
  inserts?: Record<string, string>
  byScheme?: Record<string, string>
}
export type ContactPair = Schemas['ContactPairShown']
