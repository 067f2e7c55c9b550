import { computed, defineAsyncComponent, reactive, toValue, watch, type Component, type MaybeRefOrGetter } from 'vue'

/** A part of a page that comes by itself, when it is first wanted. */
export const late = <T extends Component>(from: () => Promise<{ default: T }>) => defineAsyncComponent(from)

/** Of each, whether it was ever open: from then on it stays, so that it closes as it opened. */
export function useOpened<K extends string>(open: Record<K, MaybeRefOrGetter<boolean>>): Record<K, boolean> {
  const was = reactive(Object.fromEntries(Object.keys(open).map(key => [key, false]))) as Record<K, boolean>
  for (const key of Object.keys(open) as K[]) {
    const is = computed(() => toValue(open[key]))
    watch(is, now => (was[key] ||= now), { immediate: true })
  }
  return was
}
