export interface LabelLine {
  id: string
  part: string
  form: 'wrap' | 'flag' | 'sleeve' | 'strip' | 'tag'
  kind: string
  run: string
  side: string
  leg: string
  code: string
  line: string
  word: string
  underlined: boolean
  turned: string
  colour: string
  place: string
  path: string
  loom: string
  width: string
  height: string
  printed: string
  state: 'new' | 'printed' | 'changed'
  at: string | null
  by: string | null
}
export interface LabelScheme {
  end: string
  endLine: string
  leg: string
  legLine: string
  limit: number
}
export interface Geometry {
  id: string
  name: string
  columns: number
  rows: number
  width: string
  height: string
  pageWidth: string
  pageHeight: string
  pitchX: string
  pitchY: string
  left: string
  top: string
}
export interface LabelFinding {
  severity: string
  subject: string
  words: string
  remedy: string
}
export interface RollState {
  form: string
  left: number
  waiting: string[]
  printed: string[]
  next: string
}
export interface LabelsAnswer {
  labels: LabelLine[]
  scheme: LabelScheme
  tokens: Record<string, string>
  version: number
  geometries: Geometry[]
  findings: LabelFinding[]
  printer: RollState
}
