import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

/** What needs no browser: words, figures, orders. */
export default defineConfig({
  plugins: [vue()],
  test: {
    // A machine that others are at too takes its time.
    testTimeout: 30_000,
    include: ['tests/Script/**/*.test.ts'],
    reporters: ['default', ['json', { outputFile: '.sartal/log/script.json' }]],
  },
})
