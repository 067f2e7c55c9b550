import { shallowRef } from 'vue'
import type { InstallationRef } from './types'

/**
 * Which installation this page is of: the one that its address names. Another one is another page, which a load
 * brings; '' on the few pages that are of none.
 */
export const address = (/^\/i\/([^/]+)/.exec(window.location.pathname)?.[1] ?? '').toLowerCase()
export const base = address ? `/i/${address}/` : '/'

/** The same, once the server has said that it is one of the person's own. */
export const page = shallowRef<InstallationRef | null>(null)

/** What is of no installation. */
const OF_NONE = /^(session|installations|organisation|invitations|arrivals|docs\.json)(?=[/?]|$)/
/** Where something is asked for: of this page's installation, or of the one that a record belongs to. */
export const endpoint = (path: string, of = address): string =>
  OF_NONE.test(path) ? `/api/${path}` : `/api/i/${of}/${path}`

/** Whose page this is: another tab may have signed somebody else in since. */
export const person = shallowRef('')

/**
 * Says to the server what a request belongs to, and whose it is; where its address or the session say otherwise,
 * nothing is done.
 */
export const belongsTo = (of = address, who = person.value): Record<string, string> => ({
  ...(of ? { 'Sartal-Installation': of } : {}),
  ...(who ? { 'Sartal-Person': who } : {}),
})

/** The address of something that is opened or shown without the page, of the page's installation. */
export const file = (path: string): string => endpoint(path)

/** A name on this device for what belongs to an installation. */
export const keptOf = (of: string, name: string): string => `sartal.${of}.${name}`
/** The same, for the page's own. */
export const kept = (name: string): string => keptOf(address, name)

/** To another installation, or another place of this one by a load. */
export const visit = (of: { address: string }, path = '/schedule') => {
  window.location.assign(`/i/${of.address}${path}`)
}
