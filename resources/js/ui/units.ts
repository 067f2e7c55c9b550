import { useLocalStorage } from '@vueuse/core'

export type System = 'metric' | 'inch' | 'feet'
/** Where versions before kept it, whose inches were feet and inches where long. */
const earlier = useLocalStorage('sartal.units', 'metric', { writeDefaults: false })
/** Metric; inches as fractions; or those with feet where it is long: as the person set it. */
export const system = useLocalStorage<System>('sartal.lengths', earlier.value === 'inch' ? 'feet' : 'metric')
export const SYSTEMS: Record<System, string> = {
  metric: 'Show metres',
  inch: 'Show inches',
  feet: 'Show feet and inches',
}

// The one place where lengths become words.
const millimetres = (canonical: string) => Number.parseFloat(canonical)

/** A canonical length ("12400 mm") for reading. */
export function length(canonical: string): string {
  const mm = millimetres(canonical)
  return system.value === 'metric' ? metres(mm) : inches(mm, system.value === 'feet')
}

/** Short lengths at the bench: millimetres, or inches. */
export function short(canonical: string): string {
  const mm = millimetres(canonical)
  return system.value === 'metric' ? `${trimmed(mm, 2)} mm` : inches(mm, false)
}

function metres(mm: number): string {
  const exact = trimmed(mm / 1000, 4)
  return `${exact.split('.')[1]?.length === 1 || !exact.includes('.') ? (mm / 1000).toFixed(2) : exact} m`
}

/** As core/Given/Measure/Inches prints them. */
function inches(mm: number, feet: boolean): string {
  const parts = Math.round((Math.abs(mm) / 25.4) * 64)
  const sign = mm < 0 && parts > 0 ? '-' : ''
  return sign + (feet && parts >= 768 ? `${Math.floor(parts / 768)} ft ${fraction(parts % 768)}` : fraction(parts))
}

function fraction(parts: number): string {
  const whole = Math.floor(parts / 64)
  let [over, under] = [parts % 64, 64]
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2]
  return `${[whole || !over ? whole : '', over ? `${over}/${under}` : ''].filter(each => each !== '').join(' ')} in`
}

function trimmed(value: number, digits: number): string {
  return value.toFixed(digits).replace(/\.?0+$/, '')
}

/** So much cable, of which nobody counts less than a metre or a foot. */
export const far = (metres: number): string =>
  system.value === 'metric' ? `${Math.round(metres)} m` : `${Math.round(metres / 0.3048)} ft`

/** mm from which on a round length is said in metres. */
const LONG = 100
/** As somebody says it: how thick in millimetres, how long a cable is in metres. */
const said = (mm: number) =>
  system.value === 'metric' && (Math.abs(mm) < LONG || (Math.abs(mm) < 1000 && mm % 10 !== 0))
    ? `${trimmed(mm, 2)} mm`
    : length(`${mm} mm`)

/** Lengths inside a sentence that the server wrote, "3 to 6.5 mm" among them. */
export function inWords(text: string): string {
  return text
    .replace(/(-?\d+(?:\.\d+)?) to (-?\d+(?:\.\d+)?) mm\b(?!²)/g, (found, least: string, most: string) =>
      system.value === 'metric' && said(millimetres(most)).endsWith(' mm') ? found : `${least} mm to ${most} mm`,
    )
    .replace(/-?\d+(?:\.\d+)? mm\b(?!²)/g, found => said(millimetres(found)))
}

/** The same for figures of the bench: what is shorter than a metre stays in millimetres. */
export function inFigures(text: string): string {
  return text.replace(/-?\d+(?:\.\d+)? mm\b(?!²)/g, found =>
    system.value === 'metric' && Math.abs(millimetres(found)) < 1000 ? found : length(found),
  )
}
