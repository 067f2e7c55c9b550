import { useLocalStorage } from '@vueuse/core'

/** Whether a letter by itself does something: off for whoever dictates, or strikes keys unawares. */
export const letters = useLocalStorage('sartal.letters', true)
