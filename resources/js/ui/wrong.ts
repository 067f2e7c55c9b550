import type { ApiError } from '../api/client'
import type { RowProblem } from '../api/types'

type Listed = RowProblem & { path?: string; words?: string }

/** All that is wrong with a file: rows of a table, or places of a document. */
export const wrongIn = (error: ApiError): RowProblem[] =>
  ((error.body.problems ?? []) as Listed[]).map(each =>
    each.path === undefined ? each : { row: 0, column: each.path, value: each.value, remedy: each.words ?? '' },
  )
