import { expect, test } from './house'
import { hands, signIn } from './crew'

test('whoever is asked by name sees it in the rail, answers where it was asked, and whoever asked is told', async ({
  page,
  browser,
}) => {
  const desk = await (await browser.newContext()).newPage()
  await signIn(desk, 'planner', '/schedule')
  await expect(desk.getByRole('link', { name: /^Notices/ })).toBeVisible()

  // The technician asks with the keyboard: @, some letters, Enter takes the name, Enter sends.
  await signIn(page, 'bench', '/bench/A-121')
  await page.getByRole('button', { name: 'Ask', exact: true }).click()
  const question = page.getByLabel('Question')
  await question.pressSequentially('Which boot goes on here? @lu')
  await expect(page.getByRole('button', { name: /Imre Okafor-Lund/ })).toBeVisible()
  await question.press('Enter')
  await expect(question).toHaveValue('Which boot goes on here? @Imre Okafor-Lund ')
  await expect(page.getByText('Imre Okafor-Lund will be told.')).toBeVisible()
  await question.press('Enter')
  await expect(page.getByText('Not answered yet.')).toBeVisible()

  // Nobody else who could answer is asked.
  const lead = await hands('lead@brackwater.example')
  expect(((await (await lead.get('/api/notices')).json()) as { unread: number }).unread).toBe(0)

  // The planner is at something else, and is told by itself.
  const rail = desk.getByRole('link', { name: 'Notices 1' })
  await expect(rail).toBeVisible({ timeout: 15_000 })
  await expect(desk.getByRole('status').filter({ hasText: 'One notice for you.' })).toBeAttached()
  await desk.keyboard.press('g')
  await desk.keyboard.press('n')
  await expect(desk.getByRole('heading', { name: 'Notices' })).toBeVisible()
  await desk.getByRole('link', { name: /Tove Castellan asks about A-121/ }).click()
  await expect(desk).toHaveURL(/\/bench\/A-121$/)
  await desk.getByLabel(/^Answer to: Which boot/).fill('The grey one.')
  await desk.getByRole('button', { name: 'Answer' }).click()
  await expect(desk.getByRole('link', { name: /^Notices g n$/ })).toBeVisible()

  await expect(page.getByRole('link', { name: 'Notices 1' })).toBeVisible({ timeout: 15_000 })
  await page.getByRole('link', { name: 'Notices 1' }).click()
  const answer = page.getByRole('link', { name: /has answered your question about A-121/ })
  await expect(answer).toContainText('The grey one.')
  await page.getByRole('button', { name: 'Mark all as read' }).click()
  await expect(page.getByRole('button', { name: 'Mark all as read' })).toBeHidden()
})

test('what somebody does not want to hear of is left out, and comes back when it is wanted', async ({ page }) => {
  const bench = await hands('bench@brackwater.example')
  const id = crypto.randomUUID()
  const asked = await bench.post('/api/bench/A-121/events', {
    data: { id, kind: 'asked', run: 'A-121', note: 'Drain to the shell?' },
  })
  expect(asked.status()).toBe(201)
  await signIn(page, 'lead', '/notices')
  const line = page.getByRole('link', { name: /asks about A-121/ })
  await expect(line).toBeVisible()
  await page.getByLabel('Questions that I can answer').uncheck()
  await expect(line).toBeHidden()
  await expect(page.getByRole('link', { name: /^Notices g n$/ })).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Questions that I can answer')).not.toBeChecked()
  await page.getByLabel('Questions that I can answer').check()
  await expect(line).toBeVisible()
})
