import { useEventListener } from '@vueuse/core'
import type { Row, ScheduleView } from '../../api/types'
import { api } from '../../api/client'
import { copy } from '../../ui/clipboard'
import { system } from '../../ui/units'
import { many } from '../../ui/words'
import { copied } from './copied'

const isField = (target: EventTarget | null) =>
  target instanceof HTMLElement && ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)

/** Rows out to a spreadsheet and in from one, by the clipboard. */
export function useClipboard(of: {
  /** What is marked, else what is at hand. */
  rows: () => Row[]
  columns: () => ScheduleView['columns']
  said: (words: string) => void
  pasted: (text: string) => void
  mayPaste: () => boolean
}) {
  useEventListener(window, 'copy', event => {
    const rows = of.rows()
    if (isField(event.target) || window.getSelection()?.toString() || rows.length === 0) return
    event.preventDefault()
    event.clipboardData?.setData('text/plain', copied(rows, of.columns()))
    of.said(`${many(rows.length, 'run')} copied, in the columns that are shown.`)
  })
  /** Cells copied from a spreadsheet are read like a file. */
  useEventListener(window, 'paste', event => {
    const text = event.clipboardData?.getData('text/plain') ?? ''
    if (!of.mayPaste() || isField(event.target) || !text.includes('\t')) return
    event.preventDefault()
    of.pasted(text)
  })
  /** Everything that a run's row can say, so that it can be pasted back in. */
  async function whole() {
    const rows = of.rows()
    const { text } = await api.post('runs/table', { runs: rows.map(row => row.id), units: system.value })
    of.said(
      (await copy(text))
        ? `${many(rows.length, 'run')} copied with all their fields: pasted here, they come in as runs.`
        : 'This browser lets nothing be put on the clipboard. Take the schedule as CSV, under In and out.',
    )
  }
  return { whole }
}
