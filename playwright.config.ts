import { defineConfig } from '@playwright/test'
import { BROWSER } from './tests/Browser/browser'

export default defineConfig({
  testDir: 'tests/Browser',
  workers: Number(process.env.SARTAL_LANES ?? 2),
  timeout: 240_000,
  // On a busy machine something may come too late; what passes only the second time is reported as flaky.
  retries: 1,
  expect: { timeout: 30_000 },
  reporter: [['line'], ['json', { outputFile: '.sartal/log/browser.json' }]],
  outputDir: '.sartal/playwright',
  use: {
    viewport: { width: 1280, height: 800 },
    // A step that hangs says where, long before its test gives up.
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    // What the tests intercept has to come by; the one test that wants the worker says so.
    serviceWorkers: 'block',
    launchOptions: BROWSER,
    // What moves for its looks only is waited for by nobody.
    contextOptions: { reducedMotion: 'reduce' },
  },
})
