import { expect, type Page, test } from './house'
import { signIn } from './crew'

const line = (page: Page) => page.getByLabel('How many, which signal, from > to, via; a line for each')
const over = (page: Page) => page.getByRole('dialog', { name: 'Sign in again' })

/** A line is written, and the session is over before it is saved. */
async function written(page: Page, text: string) {
  await signIn(page, 'planner')
  await page.getByRole('button', { name: 'Quick line' }).click()
  await line(page).fill(text)
  const add = page.getByRole('form', { name: 'Quick line' }).getByRole('button', { name: /^Add / })
  await expect(add).toBeEnabled()
  const code = (await add.innerText()).replace('Add ', '')
  await page.context().clearCookies()
  await add.click()
  await expect(over(page)).toBeVisible()
  await expect(line(page)).toHaveValue(text)
  return code
}
async function enter(page: Page, role: string, password = 'brackwater') {
  await over(page).getByLabel('Sign-in name').fill(`${role}@brackwater.example`)
  await over(page).getByLabel('Password').fill(password)
  await over(page).getByRole('button', { name: 'Sign in, and save it' }).click()
}

test('a session that is over is begun again over the page, and what was written is saved', async ({ page }) => {
  const code = await written(page, 'mic lectern > media rack')
  await expect(over(page).getByLabel('Sign-in name')).toHaveValue('planner@brackwater.example')
  await enter(page, 'planner', 'wrong')
  await expect(over(page).getByRole('alert')).toBeVisible()
  await enter(page, 'planner')
  await expect(over(page)).toBeHidden()
  await expect(page.getByText(`${code} is saved.`)).toBeVisible()
  await expect(page.getByRole('row').filter({ hasText: code })).toHaveCount(1)
})

test('what one person wrote is not saved by another who signs in over it', async ({ page }) => {
  const code = await written(page, 'mic foyer > media rack')
  await enter(page, 'tester')
  await expect(over(page).getByText('Sunniva Pryde is signed in now.')).toBeVisible()
  await expect(line(page)).toHaveValue('mic foyer > media rack')
  await enter(page, 'planner')
  await expect(page.getByText(`${code} is saved.`)).toBeVisible()
})

test('whoever does not sign in again keeps what was typed', async ({ page }) => {
  await written(page, 'mic sluice window > media rack')
  await over(page).getByRole('button', { name: 'Not now' }).click()
  const quick = page.getByRole('form', { name: 'Quick line' })
  await expect(quick.getByText('What you entered is still here')).toBeVisible()
  await expect(line(page)).toHaveValue('mic sluice window > media rack')
})

test('what was typed and not saved is offered again to whoever typed it, and to nobody else', async ({ page }) => {
  await signIn(page, 'planner')
  const open = () => page.getByRole('button', { name: 'Quick line' }).click()
  const left = page.getByText('You left something unsaved here')
  await open()
  await line(page).fill('mic lectern > comms rack')
  await page.keyboard.press('Escape')
  await expect(line(page)).toBeHidden()
  await page.reload()
  await open()
  await expect(left).toContainText('mic lectern > comms rack')
  await expect(line(page)).toHaveValue('')
  // What is typed instead does not cost what was left.
  await line(page).fill('mic foyer > comms rack')
  await page.keyboard.press('Escape')
  await open()
  await expect(left).toContainText('mic foyer')
  await page.getByRole('button', { name: 'Take it up' }).click()
  await expect(line(page)).toHaveValue('mic foyer > comms rack')
  await expect(left).toBeHidden()

  await page.keyboard.press('Escape')
  await page.getByRole('row').filter({ hasText: 'A-114' }).click()
  await page.keyboard.press('e')
  const note = page.getByLabel('Note', { exact: true })
  const before = await note.inputValue()
  await note.fill('crosses the sluice twice')
  await page.keyboard.press('Escape')
  await page.getByRole('row').filter({ hasText: 'A-116' }).click()
  await page.getByRole('row').filter({ hasText: 'A-114' }).click()
  await page.keyboard.press('e')
  await expect(note).toHaveValue(before)
  await page.getByRole('button', { name: 'Take it up' }).click()
  await expect(note).toHaveValue('crosses the sluice twice')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('A-114 is saved.')).toBeVisible()
  await page.keyboard.press('e')
  await expect(note).toHaveValue('crosses the sluice twice')
  await expect(left).toBeHidden()
  await page.keyboard.press('Escape')

  // On the same device, with what the browser keeps.
  await page.context().clearCookies()
  await signIn(page, 'lead')
  await open()
  await expect(line(page)).toBeFocused()
  await expect(left).toBeHidden()
})
