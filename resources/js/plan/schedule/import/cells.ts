/** One table of a workbook, as text that the server reads. */
export interface TextSheet {
  name: string
  csv: string
  rows: number
}

/** What a spreadsheet would take for a formula, and what begins like its guard: as the server's CSV has it. */
const RISKY = /^[=+\-@'\t\r]/

/** A cell of a workbook as one of CSV. There nothing is guarded, so that its guard comes on, to be taken off again. */
export function cell(value: unknown) {
  const text = value instanceof Date ? value.toISOString().slice(0, 10) : String(value ?? '')
  const guarded = typeof value === 'string' && RISKY.test(text) ? `'${text}` : text
  return `"${guarded.replaceAll('"', '""').replaceAll('\f', ' ')}"`
}

/** As one text: a form feed begins each sheet, with its name on the rest of that line. */
export const oneText = (sheets: TextSheet[], areNamed: boolean) =>
  !areNamed
    ? (sheets[0]?.csv ?? '')
    : sheets.map(({ name, csv }) => `\f${name.replaceAll('\n', ' ')}\n${csv}`).join('\n')

/** Columns that hold figures; all else is text, and "007" is not 7. */
const FIGURES = /^(tail|slack|preparation|leg|spares)_|^(length|cut_length|findings)$/

/** A cell of CSV as one of a workbook: text is never taken for a formula there, so that its guard goes. */
export function typed(text: string, column: string) {
  if (FIGURES.test(column) && /^-?\d{1,9}(\.\d{1,9})?$/.test(text)) return { value: Number(text), type: Number }
  return { value: text.startsWith("'") && RISKY.test(text.slice(1)) ? text.slice(1) : text, type: String }
}
