import { useIntervalFn } from '@vueuse/core'
import { computed, onMounted, shallowRef } from 'vue'
import { api, ApiError } from './client'
import type { Schemas } from './types'

type Errand = Schemas['ErrandLine']

/** ms between two questions how far it is. */
const EVERY = 800

/**
 * What takes long, as it is watched: asked for here, or found under way by whoever comes later; followed until it
 * ends, whoever asked for it.
 *
 * @param ended it is done, it failed, or it was called off
 * @param at of this installation, or one's own: of what is to become one
 */
export function useErrand(
  kind: Errand['kind'],
  ended: (errand: Errand) => unknown,
  at: 'errands' | 'arrivals' = 'errands',
) {
  const errand = shallowRef<Errand | null>(null)
  /** Somebody does not want it any more; it ends where it tells next how far it is. */
  const calledOff = shallowRef(false)
  const isOpen = (each: Errand) => each.state === 'waiting' || each.state === 'under-way'

  const { pause, resume } = useIntervalFn(() => void look(), EVERY, { immediate: false })
  let looking = false
  async function look() {
    if (!errand.value || looking) return
    looking = true
    try {
      await follow(await api.get(`${at}/${errand.value.id}`))
    } catch (error) {
      // A server that is away comes back; one that knows nothing of it any more does not.
      if (!(error instanceof ApiError) || error.status === 0 || error.status >= 500) return
      pause()
      errand.value = null
    } finally {
      looking = false
    }
  }
  async function follow(told: Errand) {
    errand.value = isOpen(told) ? told : null
    if (errand.value) return resume()
    pause()
    calledOff.value = false
    await ended(told)
  }

  onMounted(async () => {
    try {
      const open = (await api.get(at)).errands.find(each => each.kind === kind && isOpen(each))
      if (open && !errand.value) await follow(open)
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
    }
  })

  return {
    errand: computed(() => errand.value),
    calledOff: computed(() => calledOff.value),
    follow,
    callOff: async () => {
      if (!errand.value) return
      calledOff.value = true
      await follow(await api.delete(`${at}/${errand.value.id}`))
    },
  }
}
