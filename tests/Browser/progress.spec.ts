import { expect, test } from './house'
import { go, signIn } from './crew'

/** Of "L3 floor boxes, test: 1 of 12": how many, and of how many. */
const share = (said: string) => {
  const [, done, of] = /: (\d+) of (\d+)/.exec(said)!
  return [Number(done), Number(of)] as const
}

test('progress leads from each bead to the runs behind it', async ({ page }) => {
  await signIn(page, 'lead')
  await page.keyboard.press('g')
  await page.keyboard.press('o')
  await expect(page.getByRole('heading', { name: 'Progress' })).toBeVisible()
  const bead = page.getByRole('link', { name: /^L3 floor boxes, test: / })
  const [done, of] = share((await bead.getAttribute('aria-label'))!)
  expect(of).toBeGreaterThan(done)
  await bead.click()
  await expect(page.getByText(`${of - done} of `, { exact: false }).first()).toBeVisible()
  await expect(page).toHaveURL(/schedule\?find=/)
  await page.goBack()

  await page.getByRole('button', { name: 'person', exact: true }).click()
  const hands = page.getByRole('link', { name: /^Tove Castellan, cut: / })
  const [cut] = share((await hands.getAttribute('aria-label'))!)
  expect(cut).toBeGreaterThan(0)
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
