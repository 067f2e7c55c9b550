import { settled, words, kicker } from './bench'
import { signIn } from './crew'
import { seconds, watchHands } from './hands'
import { expect, type Page, test } from './house'

test('from nothing, every page leads to the first place, the first way and the first line', async ({ page }) => {
  await signIn(page, 'lead')
  const cookie = (await page.context().cookies()).find(each => each.name === 'XSRF-TOKEN')?.value ?? ''
  const made = await page.request.post('/api/installations', {
    data: { name: 'Boat shed' },
    headers: { Accept: 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(cookie) },
  })
  const { address } = (await made.json()) as { address: string }
  for (const [path, why] of [
    ['handover', 'There is nothing to hand over yet'],
    ['test', 'There is nothing to test yet'],
    ['site', 'There is nothing to pull yet'],
    ['bench', 'There is no job yet'],
    ['cutting', 'There is nothing to cut yet'],
    ['parts', 'Nothing is needed yet'],
    ['crew', 'There is no work to share out yet'],
    ['schedule', 'No cable is planned yet.'],
  ]) {
    await page.goto(`/i/${address}/${path}`)
    await expect(page.getByText(why!)).toBeVisible()
    await expect(page.getByRole('link', { name: 'Add the first place' })).toBeVisible()
  }
  const next = (name: string) => page.getByRole('link', { name })
  for (const [press, name] of [
    ['Add the first place', 'Slip'],
    ['Add another place', 'Loft'],
  ]) {
    await next(press!).click()
    await page.getByLabel('Name', { exact: true }).fill(name!)
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
    await page.goto(`/i/${address}/bench`)
  }
  await next('Add the first way').click()
  await expect(page.getByRole('heading', { name: 'New way' })).toBeVisible()
  // Whoever comes back does not find it open once more.
  await expect(page).toHaveURL(new RegExp(`/i/${address}/rules/building$`))
  const form = page.locator('form').filter({ has: page.getByRole('heading', { name: 'New way' }) })
  await form.getByLabel('Name', { exact: true }).fill('Rafters')
  await form.getByLabel('Length, with its unit').fill('12 m')
  // Between the only two places there are.
  await expect(form.getByLabel('From', { exact: true })).toHaveValue('Slip')
  await expect(form.getByLabel('To', { exact: true })).toHaveValue('Loft')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved.')).toBeVisible()

  await page.goto(`/i/${address}/schedule`)
  await next('Bring in a table').click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await next('Write the first line').click()
  const line = page.getByLabel('How many, which signal, from > to, via; a line for each')
  await line.fill('mic slip > loft > quay')
  await expect(page.getByText('Write a line for each stretch')).toBeVisible()
  await line.fill('mic slip > loft')
  const quick = page.getByRole('form', { name: 'Quick line' })
  await expect(quick.getByText('from a female to a male connector').first()).toBeVisible()
  await quick.getByRole('button', { name: 'Add A-001' }).click()
  await expect(page.getByRole('row').filter({ hasText: 'A-001' })).toBeVisible()

  // Several lines at once; a place that is not there yet is made where it is asked for.
  await page.getByRole('button', { name: 'Quick line' }).click()
  await line.fill('4 video slip > loft\nmic crow’s nest > loft\n2 x 10 m mic leads in loft')
  await expect(quick.getByText('No place has such a name')).toBeVisible()
  await expect(quick.getByRole('button', { name: 'Read' })).toBeDisabled()
  await quick.getByRole('button', { name: 'Make Crow’s nest' }).click()
  await quick.getByRole('button', { name: /^Add 7 runs/ }).click()
  await expect(page.getByText('7 runs are saved')).toBeVisible()
  await expect(page.getByRole('row').filter({ hasText: 'Crow’s nest' })).toBeVisible()
})

test('whoever tries the demo goes in as one of its people', async ({ page }) => {
  await page.goto('/sign-in')
  await expect(page.getByRole('heading', { name: 'This is the demo' })).toBeVisible()
  await page.getByRole('button', { name: 'Tove Castellan' }).click()
  // Everybody comes to where their work is, and their next job is a key away.
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible()
  const code = await page
    .getByRole('link', { name: /^Go on with/ })
    .locator('.mono')
    .first()
    .innerText()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: code, exact: true })).toBeVisible()
  for (const [role, place] of [
    ['planner', 'Schedule'],
    ['tester', 'Test'],
    ['installer', 'Site'],
  ] as const) {
    await signIn(page, role, '/')
    await expect(page.getByRole('heading', { name: place, exact: true })).toBeVisible()
  }
})

/** What somebody at the bench does with whatever comes next, until the cable is made. */
async function make(page: Page) {
  for (let n = 0; n < 120; n++) {
    if (await page.getByRole('link', { name: 'Test it', exact: true }).isVisible()) return
    const was = (await kicker(page)) + (await words(page))
    if (await page.locator('.gate').count()) {
      for (const part of await page.locator('.gate input').all()) await part.press('Space')
      await page.getByRole('button', { name: 'All of it is on' }).press('Enter')
    } else if (await page.locator('.look').count())
      await page.getByRole('button', { name: 'All of it is good' }).click()
    else {
      if (await page.getByText(/Let it cool/).isVisible()) {
        await page.keyboard.press('Space')
        await expect(page.getByText(/Let it cool/)).toBeHidden()
      }
      await page.keyboard.press('Space')
    }
    await settled(page, was)
  }
  throw new Error('it was never made')
}

test('led by the guide, one person comes from nothing to the first tested cable', async ({ page }) => {
  const hands = await watchHands(page)
  await signIn(page, 'lead', '/installations')
  const form = page.getByRole('form', { name: 'Begin an installation' })
  await form.getByLabel('Name').fill('Pump house')
  await page.keyboard.press('Enter')
  const guide = page.getByRole('region', { name: 'Guide' })
  const next = guide.getByRole('link')
  for (const [act, field] of [
    ['Add the first place', 'Name'],
    ['Add another place', 'Name'],
    ['Add the first way', 'Name'],
  ]) {
    await expect(next).toHaveText(act!)
    await next.click()
    await expect(page.getByLabel(field!, { exact: true })).toBeFocused()
    await page.keyboard.press('ArrowRight')
    if (act === 'Add the first way') {
      await page.keyboard.press('Tab')
      await page.keyboard.press('Tab')
      await page.keyboard.press('ArrowRight')
    }
    await page.keyboard.press('Enter')
  }
  await expect(next).toHaveText('Write the first line')
  await next.click()
  await expect(page.getByLabel('How many, which signal, from > to, via; a line for each')).toBeFocused()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('button', { name: 'Add A-001' })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(next).toHaveText('Make it at the bench')
  await next.click()
  await expect(page.getByText(/^Step 1 of/)).toBeVisible()
  await make(page)
  await next.click()
  await expect(page.getByPlaceholder('what lights')).toBeFocused()
  for (let line = 0; line < 4; line++) await page.keyboard.press('Enter')
  await expect(page.getByText('Passes', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Record', exact: true }).press('Enter')
  await expect(page.getByText('Recorded: passes')).toBeVisible()
  await expect(guide.getByText('That was all of it once')).toBeVisible()
  const did = await hands()
  console.log(`hands, nothing to tested: ${did.keys} keys, ${did.presses} presses, ${Math.round(seconds(did))} s`)
  expect(did.presses).toBeLessThanOrEqual(8)
  await guide.getByRole('button', { name: 'Done' }).click()
  await expect(guide).toBeHidden()
})
