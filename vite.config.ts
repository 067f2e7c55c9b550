import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'

export default defineConfig({
  plugins: [laravel({ input: 'resources/js/main.ts', refresh: false }), vue(), vuetify({ autoImport: true })],
  build: { chunkSizeWarningLimit: 900 },
})
