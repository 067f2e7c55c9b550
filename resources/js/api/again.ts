import { shallowRef } from 'vue'

/** The session was over when somebody wrote something: they are asked to sign in, over the page. */
export const isOver = shallowRef(false)
let told: ((again: boolean) => void) | null = null
let waiting: Promise<boolean> | null = null

/** Whether the one whose page it is has signed in again. Whatever else is written meanwhile waits for the same. */
export function signInAgain(): Promise<boolean> {
  isOver.value = true
  waiting ??= new Promise(resolve => {
    told = resolve
  })
  return waiting
}

export function signedIn(again: boolean) {
  isOver.value = false
  waiting = null
  told?.(again)
  told = null
}
