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

/** The sheets of a workbook that hold anything. */
export async function sheetsOf(file: Blob): Promise<TextSheet[]> {
  const { default: readXlsxFile } = await import('read-excel-file/browser')
  const sheets = await readXlsxFile(file)
  return sheets
    .map(({ sheet, data }) => ({
      name: sheet,
      csv: data.map(row => row.map(cell).join(',')).join('\n'),
      rows: data.filter(row => row.some(value => value !== null && value !== '')).length,
    }))
    .filter(({ rows }) => rows > 0)
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

/** A CSV as a workbook, its first row as a heading that stays. */
export async function workbookOf(csv: string, name: string): Promise<Blob> {
  const [{ default: Papa }, { default: writeXlsxFile }] = await Promise.all([
    import('papaparse'),
    import('write-excel-file/browser'),
  ])
  const [head = [], ...rows] = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { skipEmptyLines: true }).data
  const width = (i: number) =>
    Math.min(40, Math.max(...[head, ...rows.slice(0, 200)].map(row => (row[i] ?? '').length)) + 2)
  return writeXlsxFile(
    [
      head.map(text => ({ value: text, type: String, fontWeight: 'bold' as const })),
      ...rows.map(row => row.map((text, i) => typed(text, head[i] ?? ''))),
    ],
    { sheet: name.slice(0, 31), columns: head.map((_, i) => ({ width: width(i) })), stickyRowsCount: 1 },
  ).toBlob()
}
