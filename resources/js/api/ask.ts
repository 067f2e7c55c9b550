import { ref, shallowRef } from 'vue'
import type { Impact } from './change'

/** `weigh`: whatever could help is looked for in everything, and then it is asked again. */
export type Choice = 'accept' | 'park' | 'drop' | 'weigh'

/** The impact that somebody is looking at, before an edit is made. */
export const asked = shallowRef<Impact | null>(null)
/** What could help is being looked for; the impact stays in sight. */
export const looking = ref(false)
const answer = ref<((choice: Choice) => void) | null>(null)

/** Shows what an edit overtakes, and waits for what is wanted. */
export function ask(impact: Impact): Promise<Choice> {
  // A second edit waits for nobody: the one before it is dropped.
  answer.value?.('drop')
  looking.value = false
  asked.value = impact
  return new Promise(resolve => {
    answer.value = resolve
  })
}

export function choose(choice: Choice) {
  const told = answer.value
  answer.value = null
  looking.value = choice === 'weigh'
  if (!looking.value) asked.value = null
  told?.(choice)
}

/** Nobody is asked again: it overtakes nothing any more, or went wrong. */
export function looked() {
  if (!looking.value) return
  looking.value = false
  asked.value = null
}
