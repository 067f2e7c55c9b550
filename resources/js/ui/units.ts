import { useLocalStorage } from '@vueuse/core'

/** Metric, or inches as fractions: as the person set it. The one place where lengths become words. */
export const system = useLocalStorage<'metric' | 'inch'>('sartal.units', 'metric')

const millimetres = (canonical: string) => Number.parseFloat(canonical)

/** A canonical length ("12400 mm") for reading. */
export function length(canonical: string): string {
  return system.value === 'inch' ? inches(millimetres(canonical)) : metres(millimetres(canonical))
}

/** Short lengths at the bench: millimetres, or inches. */
export function short(canonical: string): string {
  return system.value === 'inch' ? inches(millimetres(canonical)) : `${trimmed(millimetres(canonical), 2)} mm`
}

function metres(mm: number): string {
  const exact = trimmed(mm / 1000, 4)
  return `${exact.split('.')[1]?.length === 1 || !exact.includes('.') ? (mm / 1000).toFixed(2) : exact} m`
}

function inches(mm: number): string {
  if (mm < 0) return `-${inches(-mm)}`
  const sixteenths = Math.round((mm / 25.4) * 16)
  const feet = Math.floor(sixteenths / 192)
  const whole = Math.floor((sixteenths % 192) / 16)
  const over = sixteenths % 16
  const divisor = over === 0 ? 16 : over & 1 ? 1 : over & 2 ? 2 : over & 4 ? 4 : 8
  const fraction = over === 0 ? '' : ` ${over / divisor}/${16 / divisor}`
  return `${feet ? `${feet} ft ` : ''}${whole}${fraction} in`
}

function trimmed(value: number, digits: number): string {
  return value.toFixed(digits).replace(/\.?0+$/, '')
}

/** Lengths inside a sentence that the server wrote. */
export function inWords(text: string): string {
  return text.replace(/-?\d+(?:\.\d+)? mm\b(?!²)/g, found => length(found))
}

/** The same for figures of the bench: what is shorter than a metre stays in millimetres. */
export function inFigures(text: string): string {
  return text.replace(/-?\d+(?:\.\d+)? mm\b(?!²)/g, found =>
    system.value === 'metric' && Math.abs(millimetres(found)) < 1000 ? found : length(found),
  )
}

export function when(iso: string): string {
  return new Date(iso).toLocaleString(undefined, { day: '2-digit', month: 'short', hour: '2-digit', minute: '2-digit' })
}
