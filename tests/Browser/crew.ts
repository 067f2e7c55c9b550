import { expect, type Page } from '@playwright/test'

/** Signs in; the form itself is tried by the tests of the door. */
export async function signIn(page: Page, role: string) {
  await page.context().clearCookies()
  await page.request.get('/api/session')
  const token = (await page.context().cookies()).find(cookie => cookie.name === 'XSRF-TOKEN')?.value ?? ''
  const answer = await page.request.post('/api/session', { data: { signIn: `${role}@brackwater.example`, password: 'brackwater' }, headers: { 'X-XSRF-TOKEN': decodeURIComponent(token), Accept: 'application/json' } })
  expect(answer.ok()).toBe(true)
  await page.goto('/schedule')
  await expect(page.getByRole('heading', { name: 'Schedule' })).toBeVisible()
}

/** Chooses from an autocomplete by typing. */
export async function choose(page: Page, label: string, text: string, option: RegExp | string) {
  const field = page.getByRole('combobox', { name: label, exact: true })
  await field.click()
  await field.fill(text)
  await page.getByRole('option', { name: option }).first().click()
  await page.keyboard.press('Tab')
}

/** One line of a test: what was typed for it. */
export async function lines(page: Page, ...typed: string[]) {
  for (const text of typed) {
    await page.getByPlaceholder('what lights').fill(text)
    await page.getByPlaceholder('what lights').press('Enter')
  }
}

/** The picture of a strand, in words. */
export const strand = (page: Page) => page.locator('svg.strand').first()
