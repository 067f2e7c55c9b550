import { useLocalStorage } from '@vueuse/core'
import { watchEffect } from 'vue'

/** The dark theme, for plant rooms: stays with the device. */
export const dim = useLocalStorage('sartal.dim', false)

watchEffect(() => {
  document.documentElement.dataset.theme = dim.value ? 'dim' : 'light'
})
