import { ApiError } from '../../../api/client'
import { workbookOf } from './workbook'

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
