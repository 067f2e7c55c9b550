import { shallowRef } from 'vue'
import type { InstallationRef } from './types'

/**
 * The installation that this page was loaded with. Another one is another page: it changes with a load alone, or by
 * signing in.
 */
export const page = shallowRef<InstallationRef | null>(null)

/** What this window is of, and what is open in this browser by now. */
export interface Elsewhere {
  page: { key: string; name: string } | null
  open: { key: string; name: string }
}

/**
 * Somebody has opened another installation in this browser since: until that is settled, nothing is read or written
 * here.
 */
export const elsewhere = shallowRef<Elsewhere | null>(null)
export const told = (now: Elsewhere | null) => {
  elsewhere.value = now
}

const HEADER = 'Sartal-Installation'

/** Says to the server what a request belongs to. Keys may be of any script; headers are not. */
export const belongsTo = (of: { key: string } | null): Record<string, string> =>
  of ? { [HEADER]: encodeURIComponent(of.key) } : {}

/** The address of something that is opened or shown without the page, of the page's installation. */
export function file(path: string): string {
  if (!page.value) return `/api/${path}`
  return `/api/${path}${path.includes('?') ? '&' : '?'}installation=${encodeURIComponent(page.value.key)}`
}

/** A name on this device for what belongs to the page's installation. */
export const kept = (name: string): string => `sartal.${encodeURIComponent(page.value?.key ?? '')}.${name}`
