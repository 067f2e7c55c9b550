import { computed, ref } from 'vue'
import type { Channels, PlanDefinition } from '../../api/types'

/** A contact plan being edited: every change can be taken back until it is saved. */
export function usePlanDraft() {
  const draft = ref<PlanDefinition | null>(null)
  const past = ref<string[]>([])
  const original = ref('')

  function start(plan: PlanDefinition) {
    draft.value = JSON.parse(JSON.stringify(plan)) as PlanDefinition
    original.value = JSON.stringify(plan)
    past.value = []
  }
  function change(edit: (plan: PlanDefinition) => void) {
    if (!draft.value) return
    past.value.push(JSON.stringify(draft.value))
    edit(draft.value)
  }
  function undo() {
    const last = past.value.pop()
    if (last) draft.value = JSON.parse(last) as PlanDefinition
  }
  /** Puts a function on a contact; whatever sat there before leaves it, unless it may be shared. */
  function put(channel: string, fn: string, address: string) {
    change(plan => {
      if (!plan.shared?.includes(address)) {
        for (const functions of Object.values(plan.channels)) {
          for (const [name, at] of Object.entries(functions)) if (at === address) delete functions[name]
        }
      }
      plan.channels[channel] = { ...plan.channels[channel], [fn]: address }
    })
  }
  const setChannels = (channels: Channels) =>
    change(plan => {
      plan.channels = channels
    })
  const dirty = computed(() => draft.value !== null && JSON.stringify(draft.value) !== original.value)
  const channels = computed(() => Object.keys(draft.value?.channels ?? {}))
  /** All functions that occur, in the order in which they first do. */
  const functions = computed(() => [
    ...new Set(Object.values(draft.value?.channels ?? {}).flatMap(each => Object.keys(each))),
  ])
  const blockOf = (channel: string) =>
    draft.value?.block ? Math.floor(channels.value.indexOf(channel) / draft.value.block) + 1 : 0

  return { draft, past, dirty, channels, functions, start, change, undo, put, setChannels, blockOf }
}
