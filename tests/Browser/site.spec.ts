import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { at, chromium, expect, type Page, test } from './house'
import { placeContext } from './place'
import { BROWSER } from './browser'
import { signIn, waiting } from './crew'
import { whose } from './device'
import { OwnServer } from './server'

const server = new OwnServer(67)
test.beforeAll(() => {
  server.fresh()
})
test.afterEach(() => {
  server.down()
})

const bar = (page: Page) => page.getByRole('status', { name: 'Waiting to be sent' })
const run = (page: Page, code: string) =>
  page.locator('li.run').filter({ has: page.locator('b', { hasText: new RegExp(`^${code}$`) }) })

test('ten cables are pulled and confirmed on a phone while the server is gone for half of them', async () => {
  test.setTimeout(180_000)
  const folder = mkdtempSync(join(tmpdir(), 'sartal-'))
  await server.up()
  const context = await chromium.launchPersistentContext(folder, {
    baseURL: server.base,
    ...BROWSER,
    reducedMotion: 'reduce',
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'allow',
  })
  placeContext(context, at)
  const page = context.pages()[0] ?? (await context.newPage())
  await signIn(page, 'installer', '/site')
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
    if (!navigator.serviceWorker.controller)
      await new Promise(resolve => {
        navigator.serviceWorker.addEventListener('controllerchange', resolve)
      })
  })
  // Read once by way of the worker, however busy the machine is.
  await expect(async () => {
    await page.goto('/site')
    await expect(page.getByText('pull at most').first()).toBeVisible({ timeout: 8000 })
  }).toPass({ timeout: 90_000 })
  // Nothing is wider than the phone, and what is pressed is large enough for a glove.
  expect(await page.evaluate(() => document.scrollingElement!.scrollWidth)).toBeLessThanOrEqual(390)
  expect((await run(page, 'C-422').locator('.go').boundingBox())!.height).toBeGreaterThanOrEqual(36)

  const first = ['C-422', 'C-423', 'C-424', 'C-425', 'C-426']
  const second = ['C-427', 'C-428', 'C-429', 'C-441', 'C-420']
  const pull = async (code: string) => {
    await page.getByLabel('Scan or type a label').fill(code)
    await page.getByLabel('Scan or type a label').press('Enter')
    const steps = code === 'C-420' ? ['It is dressed'] : ['It is cut', 'It is labelled', 'It is pulled']
    for (const step of steps) {
      await expect(run(page, code).locator('.go')).toHaveText(step)
      await run(page, code).locator('.go').click()
    }
    await expect(run(page, code).locator('.go')).not.toHaveText(steps[steps.length - 1]!)
  }
  for (const code of first) await pull(code)
  await expect.poll(() => whose(page), { timeout: 30_000 }).toEqual([])

  server.down()
  for (const code of second) await pull(code)
  await expect(bar(page)).toContainText('13 records wait')
  // As it lies, said without a network.
  await run(page, 'C-420').getByLabel('Real length of C-420').fill('25.4')
  await run(page, 'C-420').locator('.go').click()
  await expect(run(page, 'C-420').getByText(/As built: 25\.4 m/)).toBeVisible()
  // The page is closed and opened again: it comes from the device.
  await page.reload()
  await expect(bar(page)).toContainText('14 records wait')

  await server.up()
  await expect(bar(page)).toHaveCount(0, { timeout: 60_000 })
  await page.reload()
  const answer = (await (await page.request.get('/api/site')).json()) as {
    runs: Record<string, { steps: Record<string, string>; built: { length: string; difference: string } | null }>
  }
  for (const code of [...first, ...second]) expect(answer.runs[code]!.steps.pulled, code).toBe('done')
  expect(answer.runs['C-420']!.built).toMatchObject({ length: '25400 mm', difference: '-1750 mm' })
  // A scanned label names the end; a step too many is taken back.
  await page.getByLabel('Scan or type a label').fill(`${server.base}/e/C-422/A`)
  await page.getByLabel('Scan or type a label').press('Enter')
  await expect(page.getByText('C-422 end A: dressed.')).toBeVisible()
  await run(page, 'C-422')
    .getByRole('listitem')
    .filter({ hasText: 'pulled' })
    .getByRole('button', { name: 'take back' })
    .click()
  await expect(run(page, 'C-422').locator('.go')).toHaveText('It is pulled')
  await expect(bar(page)).toHaveCount(0, { timeout: 30_000 })
  await context.close()
  rmSync(folder, { recursive: true, force: true })
})

test('a step that was sent stays done until the list that knows it has come', async ({ page }) => {
  await signIn(page, 'installer', '/site')
  await expect(run(page, 'C-422').locator('.go')).toHaveText('It is cut')
  // From here on the list is late: it is read at once and comes when it is let go.
  const held: (() => void)[] = []
  await page.route('**/api/i/*/site/since/*', async route => {
    const answer = await route.fetch()
    await new Promise<void>(resolve => held.push(resolve))
    await route.fulfill({ response: answer })
  })
  const step = async (said: string, then: string) => {
    const stored = page.waitForResponse(each => each.url().endsWith('/events'))
    await run(page, 'C-422').locator('.go').click()
    expect((await stored).status(), said).toBe(201)
    await expect.poll(() => waiting(page)).toBe(0)
    await expect(run(page, 'C-422').locator('.go')).toHaveText(then, { timeout: 500 })
  }
  await step('It is cut', 'It is labelled')
  await step('It is labelled', 'It is pulled')
  await expect.poll(() => held.length).toBe(2)
  // The later list comes first, and the earlier one, which knows of one step only, takes nothing back.
  held[1]!()
  await page.waitForResponse(each => each.url().includes('/site/since/'))
  held[0]!()
  await page.waitForResponse(each => each.url().includes('/site/since/'))
  await expect(run(page, 'C-422').locator('.go')).toHaveText('It is pulled', { timeout: 500 })
})
