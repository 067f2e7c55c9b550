import { ref, shallowRef } from 'vue'
import type { Impact } from './change'

export type Choice = 'accept' | 'park' | 'drop'

/** The impact that somebody is looking at, before an edit is made. */
export const asked = shallowRef<Impact | null>(null)
const answer = ref<((choice: Choice) => void) | null>(null)

/** Shows what an edit overtakes, and waits for what is wanted. */
export function ask(impact: Impact): Promise<Choice> {
  // A second edit waits for nobody: the one before it is dropped.
  answer.value?.('drop')
  asked.value = impact
  return new Promise(resolve => {
    answer.value = resolve
  })
}

export function choose(choice: Choice) {
  const told = answer.value
  answer.value = null
  asked.value = null
  told?.(choice)
}
