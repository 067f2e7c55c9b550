/**
 * What a device holds that has not been sent: recorded in a browser on a page of this version, without a network.
 * node tests/Witness/device.mjs ADDRESS FILE (tests/Witness/README.md)
 */
import { writeFileSync } from 'node:fs'
import { chromium } from '@playwright/test'

const [address, file] = process.argv.slice(2)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const context = await browser.newContext({
  baseURL: address,
  viewport: { width: 390, height: 844 },
  serviceWorkers: 'allow',
})
const page = await context.newPage()
const kept = {}

async function as(role, work) {
  await page.goto('/sign-in')
  await page.request.get('/api/session')
  const token = (await context.cookies()).find(cookie => cookie.name === 'XSRF-TOKEN').value
  await page.request.post('/api/session', {
    data: { signIn: `${role}@brackwater.example`, password: 'brackwater' },
    headers: { 'X-XSRF-TOKEN': decodeURIComponent(token), Accept: 'application/json' },
  })
  await work()
  // Signed out before there is a network again, so that nothing is sent.
  await context.clearCookies()
  await page.goto('about:blank')
  await context.setOffline(false)
}

// What was begun and not recorded: a reading in progress.
await as('tester', async () => {
  await page.goto('/test/A-131')
  await page
    .getByText(/^Probe/)
    .first()
    .waitFor()
  await context.setOffline(true)
  await page.getByRole('button', { name: 'As expected' }).click()
  await page.waitForTimeout(300)
})
await as('tester', async () => {
  await page.goto('/test/D-034')
  await page
    .getByText(/^Probe/)
    .first()
    .waitFor()
  await context.setOffline(true)
  const lines = await page.locator('table.lines tbody tr').count()
  for (let i = 0; i < lines; i++) await page.getByRole('button', { name: 'As expected' }).click()
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await page.getByText('Waits here: passes').waitFor()
})
await as('bench', async () => {
  await page.goto('/bench/W-104')
  await page.locator('.kicker').waitFor()
  await context.setOffline(true)
  for (let i = 0; i < 2; i++) {
    await page.keyboard.press('Space')
    await page.waitForTimeout(1500)
  }
  Object.assign(kept, await page.evaluate(() => ({ ...localStorage })))
})
writeFileSync(file, JSON.stringify(kept, null, 2) + '\n')
console.log(
  Object.keys(kept),
  JSON.parse(kept['sartal.outbox']).map(item => [item.path, item.body.kind, item.who]),
)
await browser.close()
