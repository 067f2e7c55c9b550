import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { computed, watchEffect } from 'vue'

export type Theme = 'system' | 'light' | 'dark'
/** Where versions before kept it: light was what nobody had chosen. */
const earlier = useLocalStorage('sartal.dim', false, { writeDefaults: false })
/** As the system has it, or as the person set it: the dark one is for plant rooms. Stays with the device. */
export const theme = useLocalStorage<Theme>('sartal.theme', earlier.value ? 'dark' : 'system')
const preferred = usePreferredDark()
export const dim = computed(() => theme.value === 'dark' || (theme.value === 'system' && preferred.value))

export const THEMES: Record<Theme, string> = {
  light: 'Light theme',
  dark: 'Dark theme, for plant rooms',
  system: 'Theme as the system has it',
}

watchEffect(() => {
  document.documentElement.dataset.theme = dim.value ? 'dim' : 'light'
  document.querySelector('meta[name=theme-color]')?.setAttribute('content', dim.value ? '#161D1C' : '#F7F4EE')
})
