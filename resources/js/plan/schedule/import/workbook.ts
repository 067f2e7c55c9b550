import { ApiError } from '../../../api/client'

/** One table of a workbook, as text that the server reads. */
export interface TextSheet {
  name: string
  csv: string
  rows: number
}

const cell = (value: unknown) => {
  const text = value instanceof Date ? value.toISOString().slice(0, 10) : String(value ?? '')
  return `"${text.replaceAll('"', '""').replaceAll('\f', ' ')}"`
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
export const oneText = (sheets: TextSheet[]) =>
  sheets.length === 1
    ? sheets[0]!.csv
    : sheets.map(({ name, csv }) => `\f${name.replaceAll('\n', ' ')}\n${csv}`).join('\n')

/** Numbers stay numbers; nothing in a workbook of text is taken for a formula, so that its guard goes. */
function typed(text: string) {
  if (/^-?\d{1,9}(\.\d{1,9})?$/.test(text)) return { value: Number(text), type: Number }
  return { value: text.replace(/^'(?=[=+\-@'])/, ''), type: String }
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
      ...rows.map(row => row.map((text, i) => (i === 0 ? { value: text, type: String } : typed(text)))),
    ],
    { sheet: name.slice(0, 31), columns: head.map((_, i) => ({ width: width(i) })), stickyRowsCount: 1 },
  ).toBlob()
}

/** Fetches a table and hands it over as a workbook. */
export async function saveWorkbook(address: string, name: string, sheet: string) {
  const answer = await fetch(address, { headers: { Accept: 'text/csv' } })
  if (!answer.ok) throw new ApiError(answer.status, 'The schedule could not be fetched. Try again.', {})
  const url = URL.createObjectURL(await workbookOf(await answer.text(), sheet))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  // The browser reads it in its own time.
  setTimeout(() => URL.revokeObjectURL(url), 60_000)
}
