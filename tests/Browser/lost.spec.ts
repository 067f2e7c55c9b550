import { expect, test } from './house'
import { accept, lines, signIn } from './crew'

test('a failed save loses nothing that was typed, and saving again works', async ({ page }) => {
  await signIn(page, 'planner')
  await page.locator('#row-A-131').click()
  await page.keyboard.press('e')
  await page.getByLabel('Tail A, m').fill('6')
  await page.route('**/api/i/*/runs/A-131', route =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  )
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert')).toContainText('cannot be reached')
  await expect(page.getByLabel('Tail A, m')).toHaveValue('6')
  await page.unroute('**/api/i/*/runs/A-131')
  await page.getByRole('button', { name: 'Save' }).click()
  await accept(page)
  await expect(page.getByText('A-131 is saved.')).toBeVisible()
})

test('a bad value is named at its field, and the rest of the form stays', async ({ page }) => {
  await signIn(page, 'planner')
  await page.locator('#row-A-132').click()
  await page.keyboard.press('e')
  await page.getByLabel('Tail B, m').fill('-3 m')
  await page.getByLabel('Note').fill('keep this')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('"-3 m": Give a length of nothing or more.').first()).toBeVisible()
  await expect(page.getByLabel('Note')).toHaveValue('keep this')
  await page.keyboard.press('Escape')
  await expect(page.getByLabel('Note')).toHaveCount(0)
})

test('an answer that was lost on the way back is recorded once', async ({ page }) => {
  await signIn(page, 'tester', '/test/A-131')
  await lines(page, '', '', '', '')
  await expect(page.getByText('Passes', { exact: true })).toBeVisible()
  // The server records it; the browser never hears.
  let lost = true
  await page.route('**/api/i/*/events', async route => {
    if (lost) {
      await route.fetch()
      await route.abort()
    } else await route.continue()
  })
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(page.getByText('Waits here: passes')).toBeVisible()
  await expect(page.getByRole('status', { name: 'Waiting to be sent' })).toContainText('1 record waits on this device')
  lost = false
  // Nobody has to do anything: it is sent again under the same id.
  await expect(page.getByText('Recorded: passes')).toBeVisible()
  await expect(page.getByRole('status', { name: 'Waiting to be sent' })).toHaveCount(0)
  const history = (await (await page.request.get('/api/runs/A-131')).json()) as { history: { kind: string }[] }
  expect(history.history.filter(event => event.kind === 'tested')).toHaveLength(1)
})

test('feet and inches, the keys, and signing out', async ({ page }) => {
  await signIn(page, 'lead')
  await page.getByRole('button', { name: /Brackwater Tide Station/ }).click()
  await page.getByText('Show feet and inches').click()
  await expect(page.locator('#row-A-114')).toContainText('82 ft')
  await page.keyboard.press('?')
  await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: /Brackwater Tide Station/ }).click()
  await page.getByText('Sign out').click()
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await page.goto('/schedule')
  await expect(page).toHaveURL(/sign-in/)
})

test('a filter lives in the address', async ({ page }) => {
  await signIn(page, 'tester', '/schedule?find=failed')
  await expect(page.getByText(/^1 of \d+ runs$/)).toBeVisible()
  await expect(page.locator('#row-C-442')).toContainText('failed its test')
  await page.getByLabel('Filter the schedule').fill('nothing-such')
  await expect(page.getByText('No run fits these words.')).toBeVisible()
  await page.getByRole('button', { name: 'Show all' }).click()
  await expect(page.locator('#row-A-114')).toBeVisible()
})
