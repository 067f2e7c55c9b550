import { at, expect, house, type Page, test } from './house'
import { hands, lines, signIn, waiting } from './crew'

const KEY = 'lock-gallery'
const NAME = 'Lock gallery'

/** A second installation with the same codes, of the same crew; what addresses call it. */
async function second(): Promise<string> {
  const lead = await hands('lead@brackwater.example')
  const { installations } = (await (await lead.get('/api/installations')).json()) as {
    installations: { key: string }[]
  }
  if (!installations.some(each => each.key === KEY)) {
    const made = await lead.post('/api/templates', { data: { name: NAME, key: KEY, runs: true } })
    expect(made.status()).toBe(201)
  }
  await lead.dispose()
  return house.address(KEY)
}
let gallery = ''
test.beforeEach(async () => {
  gallery = await second()
})

/** How many tests of a run each of the two has: the demo's, the gallery's. */
async function tests(run: string): Promise<[number, number]> {
  const lead = await hands('lead@brackwater.example')
  const count = async (of: string) => {
    const page = (await (await lead.get(`/api/i/${of}/runs/${run}`)).json()) as { history: { kind: string }[] }
    return page.history.filter(event => event.kind === 'tested').length
  }
  const counts: [number, number] = [await count(at()), await count(gallery)]
  await lead.dispose()
  return counts
}
const bar = (page: Page) => page.getByRole('status', { name: 'Waiting to be sent' })
const site = (page: Page) => page.locator('.who .site')

async function pass(page: Page, of: string, code: string) {
  await page.goto(`/i/${of}/test/${code}`)
  await expect(page.getByText(/^Probe/).first()).toBeVisible()
  const count = await page.locator('table.lines tbody tr').count()
  await lines(page, ...Array<string>(count).fill(''))
}
const record = (page: Page) => page.getByRole('button', { name: 'Record', exact: true }).click()

test('two windows are of two installations, and what each records is stored in its own', async ({ page, context }) => {
  test.setTimeout(120_000)
  await signIn(page, 'tester')
  await pass(page, at(), 'D-034')
  const before = await tests('D-034')

  // Another window of the same browser goes to the other installation, from its menu.
  const other = await context.newPage()
  await other.goto('/schedule')
  await other.locator('button.who').click()
  await other.locator('.v-list-item', { hasText: NAME }).click()
  await expect(site(other)).toHaveText(NAME)
  await expect(other).toHaveURL(new RegExp(`/i/${gallery}/schedule$`))

  await page.bringToFront()
  await record(page)
  await expect.poll(() => tests('D-034')).toEqual([before[0] + 1, before[1]])
  await expect(site(page)).toHaveText('Brackwater Tide Station')
  await other.bringToFront()
  await pass(other, gallery, 'D-034')
  await record(other)
  await expect.poll(() => tests('D-034')).toEqual([before[0] + 1, before[1] + 1])

  // The application opens where one was last, and there where a tester's work is.
  await other.goto('/')
  await expect(other).toHaveURL(new RegExp(`/i/${gallery}/test$`))
})

test('what was recorded before a sign-in ran out goes to its own installation, whatever is open by then', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000)
  await signIn(page, 'tester')
  await pass(page, at(), 'D-035')
  const before = await tests('D-035')
  await context.clearCookies()
  await record(page)
  await expect(bar(page)).toContainText('Sign in again to send it')
  expect(await tests('D-035')).toEqual(before)

  // They sign in on a page of the other one.
  await page.goto(`/i/${gallery}/schedule`)
  await page.getByLabel('Sign-in name').fill('tester@brackwater.example')
  await page.getByLabel('Password').fill('brackwater')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(site(page)).toHaveText(NAME)
  await expect(bar(page)).toHaveCount(0, { timeout: 30_000 })
  await expect.poll(() => tests('D-035')).toEqual([before[0] + 1, before[1]])
})

test('two tabs that record in the same instant without a network lose neither', async ({ page, context }) => {
  await signIn(page, 'tester')
  const before = [await tests('D-034'), await tests('D-033')] as const
  const other = await context.newPage()
  await pass(page, at(), 'D-034')
  await pass(other, gallery, 'D-033')
  await context.setOffline(true)
  // Both at once, as fast as a browser does it.
  const press = (tab: Page) =>
    tab.getByRole('button', { name: 'Record', exact: true }).evaluate(button => {
      ;(button as HTMLButtonElement).click()
    })
  await Promise.all([press(page), press(other)])
  await expect.poll(() => waiting(page)).toBe(2)
  // Each knows of the other's.
  for (const tab of [page, other]) await expect(bar(tab)).toContainText('2 records wait on this device')
  await context.setOffline(false)
  await expect.poll(() => waiting(page)).toBe(0)
  await expect(bar(other)).toHaveCount(0)
  expect([await tests('D-034'), await tests('D-033')]).toEqual([
    [before[0][0] + 1, before[0][1]],
    [before[1][0], before[1][1] + 1],
  ])
})

test('what a tab records after somebody else has signed in beside it waits for its own person', async ({
  page,
  context,
}) => {
  await signIn(page, 'tester')
  await pass(page, at(), 'D-034')
  const before = await tests('D-034')
  const other = await context.newPage()
  await signIn(other, 'lead')
  await record(page)
  await expect(bar(page)).toContainText('Sign in again to send it')
  await expect(bar(other)).toContainText('1 record of Sunniva Pryde waits until they sign in here')
  expect(await tests('D-034')).toEqual(before)
  await signIn(other, 'tester')
  await expect.poll(() => tests('D-034')).toEqual([before[0] + 1, before[1]])
  const run = (await (await other.request.get(`${house.base}/api/i/${at()}/runs/D-034`)).json()) as {
    history: { kind: string; who: string }[]
  }
  expect(run.history.filter(event => event.kind === 'tested').at(-1)?.who).toBe('Sunniva Pryde')
})

/** What a page of the first version has left on this device. */
const leave = (page: Page, items: Record<string, unknown>[]) =>
  page.evaluate(all => {
    localStorage.setItem('sartal.outbox', JSON.stringify(all))
  }, items)
async function earlier(page: Page, run: string, of?: Record<string, unknown>) {
  const answer = await page.request.get(`${house.base}/api/i/${at()}/runs/${run}/test`)
  const { expected } = (await answer.json()) as { expected: unknown }
  const id = crypto.randomUUID()
  const body = {
    ...{ id, kind: 'tested', run, at: new Date().toISOString(), stage: 'bench' },
    reading: { lights: expected },
  }
  return {
    ...{ id, path: 'events', body, who: 'tester@brackwater.example', name: 'Sunniva Pryde' },
    ...{ words: `Test of ${run}, passes`, at: body.at, of },
  }
}

test('a record of an earlier version goes where it can only belong; with several, somebody is asked', async ({
  page,
}) => {
  await signIn(page, 'tester')
  const [named, nameless] = [await tests('D-033'), await tests('A-119')]
  await leave(page, [
    await earlier(page, 'D-033', { id: 1, key: KEY, name: NAME }),
    await earlier(page, 'A-119'),
    await earlier(page, 'A-119', { id: 99, key: 'long-gone', name: 'Long gone' }),
  ])
  await page.goto('/test')
  await expect.poll(() => tests('D-033')).toEqual([named[0], named[1] + 1])
  await expect(bar(page)).toContainText('2 records of an earlier version: say of which installation')
  expect(await tests('A-119')).toEqual(nameless)
  await bar(page).getByRole('button', { name: 'Show' }).click()
  await expect(bar(page)).toContainText('Long gone')
  await bar(page).getByRole('button', { name: NAME, exact: true }).first().click()
  await expect.poll(() => tests('A-119')).toEqual([nameless[0], nameless[1] + 1])
  await bar(page).getByRole('button', { name: 'Brackwater Tide Station', exact: true }).click()
  await expect(bar(page)).toHaveCount(0, { timeout: 30_000 })
  expect(await tests('A-119')).toEqual([nameless[0] + 1, nameless[1] + 1])
})

test('a draft and what was read by an earlier version are there under the new names', async ({ page }) => {
  await signIn(page, 'tester')
  await page.evaluate(async () => {
    localStorage.setItem('sartal.brackwater.trial', 'kept')
    const cache = await caches.open('sartal-read')
    await cache.put('/api/site?installation=brackwater', new Response('{"read":1}'))
  })
  await page.goto('/test')
  await expect(page.getByRole('heading').first()).toBeVisible()
  const now = await page.evaluate(async of => {
    const answer = await caches.match(`/api/i/${of}/site`)
    const names = [localStorage.getItem(`sartal.${of}.trial`), localStorage.getItem('sartal.brackwater.trial')]
    return [...names, await answer?.text()]
  }, at())
  expect(now).toEqual(['kept', null, '{"read":1}'])
})

test('a label leads to its own installation, says so, and an old one asks where it may be of several', async ({
  page,
}) => {
  await signIn(page, 'installer')
  // An old code of a run that both have.
  await page.goto('/e/M-201/B')
  await expect(page.getByRole('heading', { name: 'M-201, end B: of which installation?' })).toBeVisible()
  await page.getByRole('link', { name: NAME }).click()
  await expect(page).toHaveURL(new RegExp(`/i/${gallery}/runs/M-201\\?end=B$`))

  // A label of the other one, scanned on site.
  await page.goto('/site')
  await page.getByLabel('Scan or type a label').fill(`${house.base}/i/${gallery}/e/C-420/A`)
  await page.getByLabel('Scan or type a label').press('Enter')
  await expect(page).toHaveURL(new RegExp(`/i/${gallery}/site\\?scan=C-420`))
  await expect(page.locator('.arrived b')).toHaveText(NAME)
  await expect(page.locator('.arrived')).toContainText('This label is not of Brackwater Tide Station.')
  await expect(page.getByRole('status').filter({ hasText: /^C-420/ })).toBeVisible()
  await page.getByRole('link', { name: 'Back to Brackwater Tide Station' }).click()
  await expect(site(page)).toHaveText('Brackwater Tide Station')

  // One of somebody else's.
  await page.goto('/i/qq000/e/C-420/A')
  await expect(page.getByRole('heading', { name: 'Not of your crew' })).toBeVisible()
  await page.getByRole('link', { name: NAME }).click()
  await expect(site(page)).toHaveText(NAME)
  await page.goto('/e/Z-999/A')
  await expect(page.getByRole('heading', { name: 'Z-999 is not of your crew' })).toBeVisible()
})
