import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'
import vuetify from 'vite-plugin-vuetify'

export default defineConfig({
  plugins: [laravel({ input: 'resources/js/main.ts', refresh: false }), vue(), vuetify({ autoImport: true })],
  resolve: {
    alias: [{ find: /^fflate$/, replacement: fileURLToPath(new URL('resources/js/ui/zip.ts', import.meta.url)) }],
  },
  build: { chunkSizeWarningLimit: 900 },
})
