export interface FigureTerm {
  label: string
  detail: string
  amount: string
  source: string
}
/** A number with its unit, and how it came about. */
export interface Figure {
  value: number | null
  text: string
  terms: FigureTerm[]
}
