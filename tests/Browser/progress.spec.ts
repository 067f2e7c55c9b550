import { expect, test } from './house'
import { go, signIn } from './crew'

/** Of "L3 floor boxes, test: 1/12": how many, and of how many. */
const share = (said: string) => {
  const [, done, of] = /: ?(\d+)\/(\d+)/.exec(said)!
  return [Number(done), Number(of)] as const
}

test('progress leads from each bead to the runs behind it', async ({ page }) => {
  await signIn(page, 'lead')
  await page.keyboard.press('g')
  await page.keyboard.press('o')
  await expect(page.getByRole('heading', { name: 'Progress' })).toBeVisible()
  const bead = page.getByRole('link', { name: /^L3 floor boxes, test: / })
  const [done, of] = share((await bead.textContent())!)
  await expect(page.getByText('Nobody has recorded anything yet.')).toHaveCount(0)
  expect(of).toBeGreaterThan(done)
  await bead.click()
  await expect(page.getByText(`${of - done} of `, { exact: false }).first()).toBeVisible()
  await expect(page).toHaveURL(/schedule\?find=/)
  await page.goBack()

  await page.getByRole('button', { name: 'person', exact: true }).click()
  const hands = page.getByRole('button', { name: /^Tove Castellan, cut: / })
  const [cut] = share((await hands.textContent())!)
  expect(cut).toBeGreaterThan(0)
  await hands.click()
  const runs = page.getByRole('region', { name: 'Tove Castellan, cut' }).getByRole('link')
  await expect(runs).toHaveCount(cut)
  await expect(page.getByText('Nobody has recorded anything yet.')).toHaveCount(0)
  // What is left over time, as a picture and as a table.
  await expect(page.getByRole('img', { name: /^Hours left: \d+ hours at first, \d+ now/ })).toBeVisible()
  await page.getByText('As a table').click()
  const days = page.getByRole('table').filter({ hasText: 'Left, h' }).getByRole('row')
  expect(await days.count()).toBeGreaterThan(5)
  // Every sum opens into what it comes from.
  const left = page.locator('section').filter({ hasText: 'Hours left at the bench, and when that ends' })
  await left.locator('.figure summary').first().click()
  await expect(page.getByText('all work at the bench')).toBeVisible()
})

test('the day that is wanted is said where the bench is, and stands in the picture', async ({ page }) => {
  await signIn(page, 'lead')
  await go(page, '/progress')
  await page.getByRole('link', { name: /Another day|Say by when/ }).click()
  const day = page.getByLabel('Everything is wanted by')
  await day.fill('2031-05-09')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Saved: the forecast goes by it.')).toBeVisible()
  await go(page, '/progress')
  await expect(page.getByText(/and kept, as it goes\./)).toBeVisible()
  await expect(page.getByRole('img', { name: /wanted by .*2031/ })).toBeVisible()
})

test('on paper stands all of it, and nothing that is pressed', async ({ page }) => {
  await signIn(page, 'lead')
  await go(page, '/progress')
  await expect(page.getByText('Cable off the reel')).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation', { name: 'Places of work' })).toBeHidden()
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  const [shown, all] = await page.evaluate(() => {
    const main = document.querySelector('main.progress')!
    return [main.clientHeight, main.scrollHeight]
  })
  expect(shown).toBe(all)
})

test('a job is dragged to somebody else, and taken back', async ({ page }) => {
  await signIn(page, 'lead')
  await go(page, '/crew')
  const lane = (name: string) => page.getByRole('group', { name: `Ahead of ${name}` })
  await expect(lane('Tove Castellan').getByRole('button').first()).toBeVisible()
  const slot = lane('Tove Castellan').locator('button[draggable=true]').first()
  const code = (await slot.textContent())!.trim()
  await slot.dragTo(lane('Anselm Quayle-Bright'))
  await expect(page.getByText(`${code} is Anselm Quayle-Bright’s to do.`)).toBeVisible()
  const theirs = lane('Anselm Quayle-Bright').getByRole('button', { name: new RegExp(`${code}: .*, given`) })
  await expect(theirs.first()).toBeVisible()
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect(theirs).toHaveCount(0)

  // The same by keyboard.
  const first = lane('Anselm Quayle-Bright').locator('button[draggable=true]').first()
  const other = (await first.textContent())!.trim()
  await first.focus()
  await page.keyboard.press('Enter')
  await page.getByText(`Give ${other} to Tove Castellan`).click()
  await expect(page.getByText(`${other} is Tove Castellan’s to do.`)).toBeVisible()
  await page.getByRole('button', { name: 'Take it back' }).click()
  await expect(page.getByText('’s to do.')).toBeHidden()
})

test('what is missing in which loom is a matrix, and a figure leads to its cables', async ({ page }) => {
  await signIn(page, 'lead')
  await go(page, '/handover')
  const figure = page.getByRole('button', { name: /^L1 under-stage, not in place: / })
  const count = Number((await figure.textContent())!)
  expect(count).toBeGreaterThan(0)
  await figure.click()
  await expect(page.getByText('Of L1 under-stage alone.')).toBeVisible()
  const heading = page.getByRole('heading', { name: `${count} not in place` })
  await expect(heading).toBeFocused()
  await page.getByRole('button', { name: 'Of all' }).click()
  await expect(heading).toBeHidden()
})
