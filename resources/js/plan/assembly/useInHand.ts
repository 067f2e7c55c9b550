import { computed, ref, watch, type Ref } from 'vue'
import { addressOf, named } from './names'
import type { AssemblyFitting, EndInHand } from './useAssembly'

export type AssemblyLeg = EndInHand['end']['legs'][number]

/** What is in hand: an end, elements or cores of it, a connector, contacts; and the line that says what goes where. */
export function useInHand(ends: Ref<EndInHand[]>, fittings: Ref<AssemblyFitting[]>) {
  const endKey = ref('')
  const fittingId = ref('')
  const chosen = ref<string[]>([])
  const contacts = ref<string[]>([])
  const line = ref('')

  const end = computed(() => ends.value.find(each => each.key === endKey.value) ?? ends.value[0])
  const fitting = computed(
    () =>
      fittings.value.find(each => each.id === fittingId.value) ??
      fittings.value.find(each => each.id === end.value?.end.legs.find(leg => leg.fitting)?.fitting) ??
      fittings.value[0],
  )
  /** Contacts in hand that are of the connector on show. */
  const lit = computed(() => contacts.value.filter(each => each.startsWith(`${fitting.value?.id}/`)).map(addressOf))

  function takeEnd(key: string) {
    endKey.value = key
    chosen.value = []
    line.value = ''
    fittingId.value = ''
  }
  function choose(paths: string[]) {
    chosen.value = paths
    contacts.value = []
    line.value = ''
  }
  /** With something chosen it says where that goes, from this contact on; else the contact itself is in hand. */
  function press(address: string) {
    if (!fitting.value) return
    if (chosen.value.length > 0) {
      const goesOn = chosen.value.length > 1 || !isOne(chosen.value[0]!)
      line.value = `${named(chosen.value)} > ${address}${goesOn ? '-' : ''}`
      return
    }
    const place = `${fitting.value.id}/${address}`
    contacts.value = contacts.value.includes(place)
      ? contacts.value.filter(each => each !== place)
      : [...contacts.value, place].slice(-2)
  }
  const isOne = (path: string) =>
    end.value?.end.elements.some(each => each.cores.some(core => core.path === path)) ?? false
  function drop() {
    chosen.value = []
    contacts.value = []
    line.value = ''
  }
  // What is gone is not in hand.
  watch(ends, () => {
    const paths = new Set(end.value?.end.elements.flatMap(each => [each.path, ...each.cores.map(core => core.path)]))
    chosen.value = chosen.value.filter(path => paths.has(path))
    const places = new Set(
      fittings.value.flatMap(each =>
        [...(each.drawing?.cavities.map(cavity => cavity.address) ?? []), ...(each.drawing?.shells ?? [])].map(
          address => `${each.id}/${address}`,
        ),
      ),
    )
    contacts.value = contacts.value.filter(place => places.has(place))
  })

  return { end, fitting, fittingId, chosen, contacts, line, lit, takeEnd, choose, press, drop }
}
