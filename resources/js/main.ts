import '@fontsource/atkinson-hyperlegible-next/400.css'
import '@fontsource/atkinson-hyperlegible-next/600.css'
import '@fontsource/atkinson-hyperlegible-next/700.css'
import '@fontsource/atkinson-hyperlegible-mono/400.css'
import '@fontsource/atkinson-hyperlegible-mono/600.css'
import 'vuetify/styles'
import './style.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import App from './App.vue'
import { router } from './router'

const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: {
    defaultTheme: 'sartal',
    themes: {
      sartal: {
        dark: false,
        colors: { background: '#f7f4ee', surface: '#ffffff', primary: '#1f6f63', secondary: '#b4622d', error: '#b0302b', warning: '#8a5b00' },
      },
    },
  },
  defaults: {
    VBtn: { variant: 'flat', density: 'comfortable' },
    VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VTextarea: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VAutocomplete: { variant: 'outlined', density: 'compact', hideDetails: 'auto', autoSelectFirst: true },
    VCheckbox: { density: 'compact', hideDetails: 'auto' },
  },
})

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app')
