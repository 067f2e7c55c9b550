import type { TextSheet } from './cells'
import type { Asked, Told } from './workbook.worker'

/** A worker of its own: a workbook of thousands of rows takes a second, in which the page goes on. */
function ask(asked: Asked): Promise<Told> {
  const worker = new Worker(new URL('./workbook.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<Told>((resolve, reject) => {
    worker.onmessage = (event: MessageEvent<Told>) => resolve(event.data)
    worker.onerror = event => reject(new Error(event.message || 'The part for workbooks did not come.'))
    worker.postMessage(asked)
  }).finally(() => worker.terminate())
}

/** The sheets of a workbook that hold anything. */
export async function sheetsOf(file: Blob): Promise<TextSheet[]> {
  const told = await ask({ read: file })
  if ('sheets' in told) return told.sheets
  throw new Error('wrong' in told ? told.wrong : '')
}

/** A CSV as a workbook. */
export async function workbookOf(csv: string, name: string): Promise<Blob> {
  const told = await ask({ write: csv, name })
  if ('book' in told) return told.book
  throw new Error('wrong' in told ? told.wrong : '')
}
