import Papa from 'papaparse'
import readXlsxFile from 'read-excel-file/web-worker'
import writeXlsxFile from 'write-excel-file/browser'
import { cell, typed, type TextSheet } from './cells'

/** What is asked of this worker: a workbook to be taken apart, or one to be made of a CSV. */
export type Asked = { read: Blob } | { write: string; name: string }
export type Told = { sheets: TextSheet[] } | { book: Blob } | { wrong: string }

/** Characters by which a column is as wide as what stands in it. */
const WIDEST = 40
const LOOKED_AT = 200

async function sheets(file: Blob): Promise<TextSheet[]> {
  const read = await readXlsxFile(await file.arrayBuffer())
  return read
    .map(({ sheet, data }) => ({
      name: sheet,
      csv: data.map(row => row.map(cell).join(',')).join('\n'),
      rows: data.filter(row => row.some(value => value !== null && value !== '')).length,
    }))
    .filter(({ rows }) => rows > 0)
}

/** Its first row is a heading that stays. */
async function book(csv: string, name: string): Promise<Blob> {
  const [head = [], ...rows] = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { skipEmptyLines: true }).data
  const width = (i: number) =>
    Math.min(WIDEST, Math.max(...[head, ...rows.slice(0, LOOKED_AT)].map(row => (row[i] ?? '').length)) + 2)
  return writeXlsxFile(
    [
      head.map(text => ({ value: text, type: String, fontWeight: 'bold' as const })),
      ...rows.map(row => row.map((text, i) => typed(text, head[i] ?? ''))),
    ],
    { sheet: name.slice(0, 31), columns: head.map((_, i) => ({ width: width(i) })), stickyRowsCount: 1 },
  ).toBlob()
}

addEventListener('message', async (event: MessageEvent<Asked>) => {
  let told: Told
  try {
    const asked = event.data
    told = 'read' in asked ? { sheets: await sheets(asked.read) } : { book: await book(asked.write, asked.name) }
  } catch (error) {
    told = { wrong: String(error) }
  }
  ;(self as unknown as Worker).postMessage(told)
})
