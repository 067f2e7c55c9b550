import { useLocalStorage } from '@vueuse/core'
import { kept, person } from '../api/page'
import type { Found } from './acts'

/** As many as are read at a glance. */
const MOST = 8
/** What one person looked at lately on this device, of this page's installation; the last one first. */
export const recent = useLocalStorage<Found[]>(() => kept(`recent.${person.value}`), [])

export function lately(thing: Found) {
  recent.value = [thing, ...recent.value.filter(each => each.path !== thing.path)].slice(0, MOST)
}
