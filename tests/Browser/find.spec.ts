import { expect, type Page, test } from './house'
import { signIn } from './crew'

const options = (page: Page) => page.getByRole('listbox', { name: 'Found' }).getByRole('option')
const field = (page: Page) => page.getByRole('combobox', { name: 'Find' })
/** Says it, waits for what it would do, and has it done. */
async function say(page: Page, text: string, first: string | RegExp) {
  await page.keyboard.press('/')
  await field(page).fill(text)
  await expect(options(page).first()).toContainText(first)
  await page.keyboard.press('Enter')
  await expect(field(page)).toBeHidden()
}

test('find does what it is told, and remembers what was looked at', async ({ page }) => {
  await signIn(page, 'lead')
  await page.keyboard.press('/')
  await field(page).fill('who is on M-201')
  await expect(page.getByRole('option', { name: /M-201 nobody now; last Anselm Quayle-Bright/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'M-201' })).toBeVisible()

  await say(page, 'test A-118', 'Test A-118')
  await expect(page).toHaveURL(/\/test\/A-118$/)
  await expect(page.getByRole('heading', { name: /A-118/ })).toBeVisible()

  await page.keyboard.press('Escape')
  await page.locator('h1').first().click()
  await say(page, 'print labels of L1', 'Print labels of L1 under-stage')
  await expect(page.getByLabel('Loom')).toHaveValue('L1')

  await say(page, 'add run', 'Add run')
  await expect(page.getByRole('heading', { name: 'New run' })).toBeVisible()
  await expect(page.getByLabel('Code', { exact: true })).toBeFocused()
  await page.keyboard.press('Escape')
  await say(page, 'edit A-114', 'Edit A-114')
  await expect(page.getByRole('heading', { name: 'Edit A-114' })).toBeVisible()
  await expect(page.getByLabel('Code', { exact: true })).toBeFocused()
  await page.keyboard.press('Escape')

  // Nothing typed: what was looked at lately, the last of it first.
  await page.keyboard.press('/')
  await expect(page.getByText('Lately')).toBeVisible()
  await expect(options(page)).toContainText([/A-118/, /M-201/])
})

test('single-letter keys are turned off and on again', async ({ page }) => {
  await signIn(page, 'planner')
  await say(page, 'single letter keys off', 'Turn single-letter keys off')
  await page.keyboard.press('n')
  await page.keyboard.press('/')
  await expect(page.getByRole('heading', { name: 'New run' })).toBeHidden()
  await expect(field(page)).toBeHidden()
  await page.getByRole('button', { name: /Brackwater Tide Station/ }).click()
  await page.getByText('Keys', { exact: true }).click()
  await page.getByLabel('Letters and signs do something').check()
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.keyboard.press('n')
  await expect(page.getByRole('heading', { name: 'New run' })).toBeVisible()
})
