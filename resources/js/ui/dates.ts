import { useLocalStorage } from '@vueuse/core'

export type Dates = 'system' | 'words' | 'figures'
/** As the system writes them; with the month as a word; or in figures, the year first. Stays with the device. */
export const dates = useLocalStorage<Dates>('sartal.dates', 'system')
export const DATES: Record<Dates, string> = {
  system: 'Dates as the system writes them',
  words: 'Dates as 9 Mar 2026, 14:05',
  figures: 'Dates as 2026-03-09, 14:05',
}

const two = (number: number) => String(number).padStart(2, '0')
const figures = (at: Date) => `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
/** Where it is written the system's way, that of its language; else the same for everybody. */
const language = () => (dates.value === 'system' ? undefined : 'en-GB')
/** A day ("2026-03-09") at noon, so that it is that day in every zone; or a moment. */
const moment = (iso: string) => new Date(iso.length === 10 ? `${iso}T12:00:00` : iso)

/** A day with its year. */
export const dated = (iso: string) =>
  dates.value === 'figures'
    ? figures(moment(iso))
    : moment(iso).toLocaleDateString(language(), { day: 'numeric', month: 'short', year: 'numeric' })

/** A day of these weeks, with its weekday; written out where it stands by itself. */
export function weekday(iso: string, out = false): string {
  const at = moment(iso)
  const length = out ? 'long' : 'short'
  if (dates.value === 'figures') return `${at.toLocaleDateString('en-GB', { weekday: length })} ${figures(at)}`
  return at.toLocaleDateString(language(), { weekday: length, day: 'numeric', month: length })
}

/** A day as a mark of an axis. */
export const tick = (at: Date) =>
  dates.value === 'figures'
    ? figures(at).slice(5)
    : at.toLocaleDateString(language(), { day: 'numeric', month: 'short' })

export const clock = (iso: string) => moment(iso).toLocaleTimeString(language(), { hour: '2-digit', minute: '2-digit' })

/** A moment, of this year or nearly. */
export const when = (iso: string) =>
  dates.value === 'figures'
    ? `${figures(moment(iso))}, ${clock(iso)}`
    : moment(iso).toLocaleString(language(), { day: '2-digit', month: 'short', hour: '2-digit', minute: '2-digit' })
