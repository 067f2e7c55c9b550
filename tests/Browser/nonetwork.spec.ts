import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { BROWSER } from './browser'
import { go, signIn } from './crew'
import { at, chromium, expect, house, type Page, test } from './house'
import { placeContext } from './place'
import { OwnServer } from './server'

const server = new OwnServer(57, house)
const up = () => server.up()
const down = () => {
  server.down()
}
test.afterEach(down)

async function profile(folder: string) {
  const context = await chromium.launchPersistentContext(folder, {
    baseURL: server.base,
    ...BROWSER,
    reducedMotion: 'reduce',
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'allow',
  })
  placeContext(context, at)
  return context
}
const worker = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready
    if (!navigator.serviceWorker.controller)
      await new Promise(resolve => {
        navigator.serviceWorker.addEventListener('controllerchange', resolve)
      })
  })
/** Somebody with a phone who has read a place while there was a network. */
async function phone(role: string, place: string) {
  const folder = mkdtempSync(join(tmpdir(), 'sartal-'))
  await up()
  const context = await profile(folder)
  const page = context.pages()[0] ?? (await context.newPage())
  await signIn(page, role, place)
  await worker(page)
  const away = async () => {
    await context.close()
    rmSync(folder, { recursive: true, force: true })
  }
  return { page, context, away }
}
const bar = (page: Page) => page.getByRole('status', { name: 'Waiting to be sent' })
async function everyLine(page: Page) {
  const lines = await page.locator('table.lines tbody tr').count()
  for (let i = 0; i < lines; i++) await page.getByRole('button', { name: 'As expected' }).click()
}
/** A test of one cable, all as expected, by touch. */
async function pass(page: Page, code: string) {
  await go(page, `/test/${code}`)
  await expect(page.getByText(/^Probe/).first()).toBeVisible()
  await everyLine(page)
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(page.getByText('Waits here: passes')).toBeVisible()
}

test('fifty results without a network, the browser closed in between, and each arrives once', async () => {
  test.setTimeout(600_000)
  const folder = mkdtempSync(join(tmpdir(), 'sartal-'))
  const codes = ['V-403', 'V-404', 'V-405', 'V-406', 'D-033']
  await up()
  let context = await profile(folder)
  let page = context.pages()[0] ?? (await context.newPage())
  await signIn(page, 'tester', '/test')
  await worker(page)
  for (const code of codes) await page.request.get(`/api/runs/${code}`)
  const before = await counts(page, codes)
  // Read while there is a network, as the list does by itself for what is ready.
  for (const code of codes) {
    await page.goto(`/test/${code}`)
    await expect(page.getByText(/^Probe/).first()).toBeVisible()
  }
  await page.goto('/test')
  await expect(page.getByText('V-403')).toBeVisible()

  down()
  for (let round = 0; round < 5; round++) for (const code of codes) await pass(page, code)
  await expect(bar(page)).toContainText('25 records wait')
  // The tab is closed, the browser too; it opens again with nothing but what it kept.
  await context.close()
  context = await profile(folder)
  page = context.pages()[0] ?? (await context.newPage())
  await page.goto('/test')
  await expect(page.getByRole('heading', { name: /Tested here, not sent yet/ })).toBeVisible()
  for (let round = 0; round < 5; round++) for (const code of codes) await pass(page, code)
  await expect(bar(page)).toContainText('50 records wait')

  await up()
  await expect(bar(page)).toHaveCount(0, { timeout: 120_000 })
  const after = await counts(page, codes)
  for (const code of codes) expect(after[code]! - before[code]!).toBe(10)
  await context.close()
  rmSync(folder, { recursive: true, force: true })
})

test('what was recorded without a network waits for its own person to sign in again', async () => {
  const { page, context, away } = await phone('tester', '/test')
  await page.goto('/test/D-034')
  await expect(page.getByText(/^Probe/).first()).toBeVisible()
  const before = await counts(page, ['D-034'])
  down()
  await pass(page, 'D-034')
  // Meanwhile the session runs out.
  await context.clearCookies()
  await up()
  await expect(bar(page)).toContainText('Sign in again to send it', { timeout: 30_000 })
  await signIn(page, 'installer')
  await expect(bar(page)).toContainText('1 record of Sunniva Pryde waits until they sign in here')
  await signIn(page, 'tester')
  // Nothing waiting to be seen may also be a page that has not read yet what waits: what arrived says it.
  await expect
    .poll(async () => (await counts(page, ['D-034']))['D-034']! - before['D-034']!, { timeout: 60_000 })
    .toBe(1)
  await expect(bar(page)).toHaveCount(0, { timeout: 30_000 })
  await away()
})

test('a press on Record counts where the network goes between finger down and finger up', async () => {
  const { page, context, away } = await phone('tester', '/test')
  for (const [code, width, height] of [
    ['V-403', 390, 844],
    ['V-404', 1280, 800],
  ] as const) {
    await page.setViewportSize({ width, height })
    await page.goto(`/test/${code}`)
    await expect(page.getByText(/^Probe/).first()).toBeVisible()
    const before = await counts(page, [code])
    await everyLine(page)
    const button = page.getByRole('button', { name: 'Record', exact: true })
    await expect(button).toBeEnabled()
    await button.hover()
    const place = await button.boundingBox()
    await page.mouse.down()
    await context.setOffline(true)
    await page.waitForFunction(() => !navigator.onLine)
    // A moment, in which whatever wants to come could come.
    await page.waitForTimeout(400)
    expect(await button.boundingBox(), `${width} wide`).toEqual(place)
    await page.mouse.up()
    await expect(page.getByText('Waits here: passes')).toBeVisible()
    await expect(bar(page)).toContainText('No network.')
    await context.setOffline(false)
    await expect.poll(async () => (await counts(page, [code]))[code]! - before[code]!, { timeout: 30_000 }).toBe(1)
    await expect(bar(page)).toHaveCount(0)
  }
  await away()
})

test('two people tested one cable apart from each other: both records stay, and one is said to hold', async ({
  page: other,
}) => {
  const { page, away } = await phone('tester', '/test')
  await page.goto('/test/D-035')
  await expect(page.getByText(/^Probe/).first()).toBeVisible()
  down()
  await pass(page, 'D-035')
  // The lead, with a network, finds it open.
  await signIn(other, 'lead')
  // With two browsers at once the navigation of one was seen to hang before it asked anything.
  await expect(async () => {
    await other.goto('/test/D-035', { timeout: 15_000 })
  }).toPass({ timeout: 90_000 })
  await other.getByRole('button', { name: 'Nothing' }).click()
  for (let i = 0; i < 2; i++) await other.getByRole('button', { name: 'As expected' }).click()
  await other.getByRole('button', { name: 'Record the failure' }).click()
  await expect(other.getByText('Recorded: fails')).toBeVisible()
  await up()
  await expect(bar(page)).toHaveCount(0, { timeout: 60_000 })
  await page.goto('/test/D-035')
  await expect(page.getByText('2 people tested it and do not agree')).toBeVisible()
  await page
    .getByRole('alert')
    .getByRole('paragraph')
    .filter({ hasText: 'Odile Marchetti-Voss' })
    .getByRole('button', { name: 'This one holds' })
    .click()
  await expect(page.getByText('2 people tested it and do not agree')).toHaveCount(0)
  await expect(page.getByRole('list', { name: 'Earlier tests, bench' }).getByRole('listitem')).not.toHaveCount(1)
  await away()
})

test('work at the bench that was opened before goes on without a network', async () => {
  const { page, away } = await phone('bench', '/bench')
  await page.goto('/bench/A-122')
  await expect(page.locator('.kicker')).toBeVisible()
  const before = await doneAt(page, 'A-122')
  down()
  await page.goto('/bench/A-122')
  await expect(page.locator('.kicker')).toBeVisible()
  await page.keyboard.press('Space')
  await expect(bar(page)).toContainText('1 record waits')
  // A photo waits with it.
  await page.locator('.talk input[type=file]').setInputFiles('docs/screenshots/bench-phone.png')
  await expect(page.getByRole('img', { name: /^Photo of .*, waiting to be sent$/ })).toBeVisible()
  await page.reload()
  await expect(bar(page)).toContainText('2 records wait')
  await up()
  await expect(bar(page)).toHaveCount(0, { timeout: 60_000 })
  expect(await doneAt(page, 'A-122')).toBe(before + 1)
  await page.reload()
  await expect(page.getByRole('img', { name: /^Photo by Tove Castellan/ })).toBeVisible()
  await away()
})

test('two who did one step apart from each other are both kept, and whoever looks at the piece settles it', async ({
  page: other,
}) => {
  const { page, away } = await phone('bench', '/bench')
  await page.goto('/bench/A-121')
  await expect(page.locator('.kicker')).toBeVisible()
  const before = await doneAt(page, 'A-121')
  down()
  await page.keyboard.press('Space')
  await expect(bar(page)).toContainText('1 record waits')
  // The lead, with a network, has it open and does the same.
  await signIn(other, 'lead')
  await expect(async () => {
    await other.goto('/bench/A-121', { timeout: 15_000 })
  }).toPass({ timeout: 90_000 })
  await expect(other.locator('.kicker')).toBeVisible()
  await other.keyboard.press('Space')
  await expect.poll(() => doneAt(other, 'A-121')).toBe(before + 1)
  await up()
  await expect(bar(page)).toHaveCount(0, { timeout: 60_000 })
  const note = other.getByRole('alert').filter({ hasText: 'Two people say that they did this' })
  await expect(note).toContainText('Tove Castellan did it')
  await expect(note).toContainText('Odile Marchetti-Voss did it')
  await note.getByRole('button', { name: 'it is done' }).click()
  await expect(note).toHaveCount(0)
  await other.reload()
  await expect(other.locator('.kicker')).toBeVisible()
  await expect(note).toHaveCount(0)
  expect(await doneAt(other, 'A-121')).toBe(before + 1)
  await away()
})

async function doneAt(page: Page, code: string): Promise<number> {
  const job = (await (await page.request.get(`/api/bench/${code}`)).json()) as {
    state: { standings: Record<string, { status: string }> }
  }
  return Object.values(job.state.standings).filter(each => each.status === 'done').length
}

async function counts(page: Page, codes: string[]): Promise<Record<string, number>> {
  const counts: Record<string, number> = {}
  for (const code of codes) {
    const run = (await (await page.request.get(`/api/runs/${code}`)).json()) as { history: { kind: string }[] }
    counts[code] = run.history.filter(event => event.kind === 'tested').length
  }
  return counts
}
