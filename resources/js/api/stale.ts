import { ref, shallowRef } from 'vue'

/** What somebody wrote, and what somebody else has written meanwhile. */
export interface TwoVersions {
  message: string
  yours: Record<string, unknown>
  theirs: Record<string, unknown> | null
}
export type Which = 'mine' | 'theirs'

/** The two that somebody is looking at. */
export const apart = shallowRef<TwoVersions | null>(null)
const answer = ref<((which: Which) => void) | null>(null)

/** Shows both, and waits for which one it is to be. */
export function compare(both: TwoVersions): Promise<Which> {
  answer.value?.('theirs')
  apart.value = both
  return new Promise(resolve => {
    answer.value = resolve
  })
}

export function take(which: Which) {
  const told = answer.value
  answer.value = null
  apart.value = null
  told?.(which)
}

/** Fields in which they differ, as they are said. */
export function differing(both: TwoVersions): { field: string; yours: string; theirs: string }[] {
  const said = (value: unknown): string =>
    value === undefined || value === null || value === ''
      ? '—'
      : Array.isArray(value)
        ? value.map(said).join(', ') || '—'
        : typeof value === 'object'
          ? Object.entries(value)
              .map(([key, each]) => `${key}: ${said(each)}`)
              .join(', ')
          : String(value as string | number | boolean)
  return [...new Set([...Object.keys(both.yours), ...Object.keys(both.theirs ?? {})])]
    .map(field => ({ field, yours: said(both.yours[field]), theirs: said(both.theirs?.[field]) }))
    .filter(each => each.yours !== each.theirs)
}
