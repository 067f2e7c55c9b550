import type { Schemas } from './types'

/** A number with its unit, and how it came about. */
export type Figure = Schemas['FigureShown']
export type FigureTerm = Figure['terms'][number]
