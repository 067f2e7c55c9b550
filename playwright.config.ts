import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'tests/Browser',
  workers: 1,
  timeout: 240_000,
  expect: { timeout: 15_000 },
  reporter: 'line',
  outputDir: '.sartal/playwright',
  use: {
    baseURL: process.env.SARTAL_URL ?? 'http://127.0.0.1:8080',
    viewport: { width: 1280, height: 800 },
    // A step that hangs says where, long before its test gives up.
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    // What the tests intercept has to come by; the one test that wants the worker says so.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    },
  },
})
