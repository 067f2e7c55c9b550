import type { InstallationRef } from '../types'

/**
 * One thing that was recorded here and the server has not heard of yet. `of`: the installation whose page it was
 * recorded on.
 */
export interface Waiting {
  id: string
  path: string
  body: Record<string, unknown>
  /** A photo that goes with it. */
  picture?: Blob
  who: string
  name: string
  words: string
  at: string
  refused?: string
  of?: Omit<InstallationRef, 'address' | 'archived'> & { address?: string }
}

/** As it is sent: what has a photo goes as a form. */
export function sent(item: Waiting): Record<string, unknown> | FormData {
  if (!item.picture) return item.body
  const form = new FormData()
  for (const [name, value] of Object.entries(item.body)) {
    if (Array.isArray(value)) for (const each of value) form.append(`${name}[]`, String(each))
    else if (typeof value === 'string' || typeof value === 'number') form.append(name, String(value))
  }
  form.append('picture', item.picture)
  return form
}
