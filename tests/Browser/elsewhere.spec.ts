import { hands, lines, signIn } from './crew'
import { expect, house, type Page, test } from './house'

/** A second installation with the same codes, of the same crew. */
async function second(name: string): Promise<void> {
  const lead = await hands('lead@brackwater.example')
  const key = name.toLowerCase().replaceAll(' ', '-')
  const { installations } = (await (await lead.get('/api/session')).json()) as { installations: { key: string }[] }
  if (!installations.some(each => each.key === key)) {
    const data = { name, key, runs: true }
    const made = await lead.post('/api/templates', { data, headers: { 'Sartal-Installation': 'brackwater' } })
    expect(made.status()).toBe(201)
  }
  await lead.dispose()
}
test.beforeEach(async () => {
  await second('Lock gallery')
})

/** How many tests of a run each installation has. */
async function tests(run: string): Promise<Record<string, number>> {
  const lead = await hands('lead@brackwater.example')
  const counts: Record<string, number> = {}
  const { installations } = (await (await lead.get('/api/session')).json()) as {
    installations: { id: number; key: string }[]
  }
  for (const each of installations) {
    await lead.post(`/api/installations/${each.id}/open`)
    const page = (await (await lead.get(`/api/runs/${run}`)).json()) as { history: { kind: string }[] }
    counts[each.key] = page.history.filter(event => event.kind === 'tested').length
  }
  await lead.dispose()
  return counts
}
async function opens(page: Page, key: string) {
  const token = (await page.context().cookies()).find(cookie => cookie.name === 'XSRF-TOKEN')!.value
  const headers = { 'X-XSRF-TOKEN': decodeURIComponent(token), Accept: 'application/json' }
  const { installations } = (await (await page.request.get('/api/session')).json()) as {
    installations: { id: number; key: string }[]
  }
  const answer = await page.request.post(
    `/api/installations/${installations.find(each => each.key === key)!.id}/open`,
    { headers },
  )
  expect(answer.ok()).toBe(true)
}
const open = async (page: Page) =>
  ((await (await page.request.get('/api/session')).json()) as { open: { key: string } }).open.key
const bar = (page: Page) => page.getByRole('status', { name: 'Waiting to be sent' })

async function pass(page: Page, code: string) {
  await page.goto(`/test/${code}`)
  await expect(page.getByText(/^Probe/).first()).toBeVisible()
  const count = await page.locator('table.lines tbody tr').count()
  await lines(page, ...Array<string>(count).fill(''))
}

test('a result of one window is not stored in the installation that another window has opened', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000)
  await signIn(page, 'tester')
  await opens(page, 'brackwater')
  await pass(page, 'D-034')
  const before = await tests('D-034')

  // Another window of the same browser opens the other installation, from its menu.
  const other = await context.newPage()
  await other.goto('/schedule')
  await other.locator('button.who').click()
  await other.locator('.v-list-item', { hasText: 'Lock gallery' }).click()
  await expect(other.locator('.who .site')).toHaveText('Lock gallery')

  await page.bringToFront()
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'This window is of' })).toContainText(
    'Lock gallery was opened in this browser since',
  )
  await expect(bar(page)).toContainText('1 record waits')
  expect(await tests('D-034')).toEqual(before)
  expect(await open(page), 'what was asked here changed nothing there').toBe('lock-gallery')

  // The other window says what waits, and that window's own goes on where it was.
  await other.reload()
  await expect(bar(other)).toContainText('1 record of Brackwater Tide Station waits until that is open')
  await page.getByRole('button', { name: 'Go on with Brackwater Tide Station' }).click()
  await expect(bar(page)).toHaveCount(0, { timeout: 30_000 })
  await expect.poll(() => tests('D-034')).toEqual({ ...before, brackwater: before.brackwater! + 1 })
})

test('what was recorded before a sign-in ran out goes to its own installation, whatever is open by then', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000)
  await signIn(page, 'tester')
  await opens(page, 'brackwater')
  await pass(page, 'D-035')
  const before = await tests('D-035')
  await context.clearCookies()
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(bar(page)).toContainText('Sign in again to send it')

  // Meanwhile they open the other one, on another device.
  const elsewhere = await hands('tester@brackwater.example')
  const { installations } = (await (await elsewhere.get('/api/session')).json()) as {
    installations: { id: number; key: string }[]
  }
  await elsewhere.post(`/api/installations/${installations.find(each => each.key === 'lock-gallery')!.id}/open`)
  await elsewhere.dispose()

  await page.getByRole('link', { name: 'Sign in again to send it' }).click()
  await page.getByLabel('Sign-in name').fill('tester@brackwater.example')
  await page.getByLabel('Password').fill('brackwater')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.locator('.who .site')).toHaveText('Lock gallery')
  await expect(bar(page)).toContainText('1 record of Brackwater Tide Station waits until that is open')
  expect(await tests('D-035')).toEqual(before)
  await bar(page).getByRole('button', { name: 'Open Brackwater Tide Station' }).click()
  await expect(bar(page)).toHaveCount(0, { timeout: 30_000 })
  await expect.poll(() => tests('D-035')).toEqual({ ...before, brackwater: before.brackwater! + 1 })
})

test('a switch holds, however many requests are under way', async ({ page }) => {
  await signIn(page, 'lead')
  for (let round = 0; round < 8; round++) {
    const to = round % 2 === 0 ? 'lock-gallery' : 'brackwater'
    const under = ['crew/board', 'parts', 'overtaken', 'handover', 'reach', 'cutting'].map(path =>
      page.request.get(`/api/${path}`),
    )
    await opens(page, to)
    await Promise.all(under)
    expect(await open(page), `round ${round + 1}`).toBe(to)
  }
})

test('a record of an earlier version says nothing of its installation: with several, somebody is asked', async ({
  page,
}) => {
  await signIn(page, 'tester')
  await opens(page, 'lock-gallery')
  const before = await tests('D-033')
  const lights = ((await (await page.request.get(`${house.base}/api/runs/D-033/test`)).json()) as { expected: unknown })
    .expected
  await page.evaluate(given => {
    const id = crypto.randomUUID()
    const body = {
      id,
      kind: 'tested',
      run: 'D-033',
      at: new Date().toISOString(),
      stage: 'bench',
      reading: { lights: given },
    }
    localStorage.setItem(
      'sartal.outbox',
      JSON.stringify([
        {
          id,
          path: 'events',
          body,
          who: 'tester@brackwater.example',
          name: 'Sunniva Pryde',
          words: 'Test of D-033, passes',
          at: body.at,
        },
      ]),
    )
  }, lights)
  await page.goto('/test')
  await expect(bar(page)).toContainText('1 record of an earlier version: say of which installation')
  expect(await tests('D-033')).toEqual(before)
  await bar(page).getByRole('button', { name: 'Show' }).click()
  await bar(page).getByRole('button', { name: 'Lock gallery', exact: true }).click()
  await expect(bar(page)).toHaveCount(0, { timeout: 30_000 })
  expect(await tests('D-033')).toEqual({ ...before, 'lock-gallery': before['lock-gallery']! + 1 })
})
