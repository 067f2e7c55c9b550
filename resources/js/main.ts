import '@fontsource/atkinson-hyperlegible-next/400.css'
import '@fontsource/atkinson-hyperlegible-next/600.css'
import '@fontsource/atkinson-hyperlegible-next/700.css'
import '@fontsource/atkinson-hyperlegible-mono/400.css'
import '@fontsource/atkinson-hyperlegible-mono/600.css'
import 'vuetify/styles/core'
import './style.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { file } from './api/page'
import App from './App.vue'
import { router } from './router'

const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: {
    defaultTheme: 'sartal',
    themes: {
      sartal: {
        dark: false,
        colors: {
          background: '#f7f4ee',
          surface: '#ffffff',
          primary: '#1f6f63',
          secondary: '#b4622d',
          error: '#b0302b',
          warning: '#8a5b00',
        },
      },
      dim: {
        dark: true,
        colors: {
          background: '#161d1c',
          surface: '#1f2827',
          primary: '#6cc3b2',
          secondary: '#e09a68',
          error: '#f08a80',
          warning: '#e2b04a',
          'on-primary': '#101615',
          'on-secondary': '#101615',
          'on-surface': '#e8e4da',
          'on-background': '#e8e4da',
        },
      },
    },
  },
  defaults: {
    VBtn: { variant: 'flat', density: 'comfortable' },
    VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VAutocomplete: { variant: 'outlined', density: 'compact', hideDetails: 'auto', autoSelectFirst: true },
    VCombobox: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VCheckbox: { density: 'compact', hideDetails: 'auto' },
  },
})

const app = createApp(App).use(createPinia()).use(router).use(vuetify)
// Links and pictures name their installation as requests do.
app.config.globalProperties.$file = file
app.mount('#app')

// Test and Bench open without a network; a page that came over the network has its pieces kept.
if ('serviceWorker' in navigator && import.meta.env.PROD) {
  void navigator.serviceWorker
    .register('/sw.js')
    .then(registration => registration.active?.postMessage('refresh'))
    .catch(() => undefined)
}
