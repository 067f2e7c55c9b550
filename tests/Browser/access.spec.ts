import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { lines, signIn } from './crew'

const VIEWS = ['/schedule', '/runs/A-114', '/runs/M-201', '/runs/M-201/sheet/B', '/runs/P-007/sheet/A', '/bench', '/bench/M-201', '/bench/A-119', '/labels', '/crew', '/crew/people', '/crew/workshop', '/test', '/test/A-118', '/test/P-007', '/test/M-203', '/test/instruments', '/test/trainer', '/site', '/handover', '/handover/releases', '/handover/overtaken', '/handover/pack', '/handover/service', '/crew/log', '/rules', '/rules/building', '/looms', '/looms/L1', '/cutting', '/parts', '/parts/worth', '/reach', '/rules/equipment', '/rules/plans', '/rules/plans/rect90-male-24ch', '/rules/catalogue?kind=connector&id=xlr3-male-cable']
const DARK = ['/schedule', '/site', '/handover', '/handover/releases', '/rules/building', '/looms/L1', '/cutting', '/reach', '/runs/M-201/sheet/B', '/bench', '/bench/M-201', '/labels', '/crew', '/test/A-118', '/rules']
for (const [theme, views] of [['light', VIEWS], ['dark', DARK]] as const) {
  test(`no serious violation on any view, ${theme}`, async ({ page }) => {
    test.setTimeout(240_000)
    await signIn(page, 'lead')
    if (theme === 'dark') await page.evaluate(() => localStorage.setItem('sartal.dim', 'true'))
    for (const path of views) {
      await page.goto(path)
      await page.waitForLoadState('networkidle')
      const found = await new AxeBuilder({ page }).analyze()
      const serious = found.violations.filter(each => each.impact === 'serious' || each.impact === 'critical')
      expect.soft(serious.map(each => `${path} ${each.id}: ${each.nodes[0]?.html}`)).toEqual([])
    }
  })
}

test('on a phone a test is read by touch alone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'tester')
  await page.goto('/test/V-404')
  await page.getByRole('button', { name: 'As expected' }).click()
  await page.getByRole('button', { name: 'contact centre' }).click()
  await expect(page.getByRole('row', { name: /shell screen shell centre wrong/ })).toBeVisible()
  await expect(page.getByText('Fails', { exact: true })).toBeVisible()
  const wide = await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)
  expect(wide).toBe(false)
})

test('nothing is fetched from another host', async ({ page }) => {
  const elsewhere: string[] = []
  const refused: string[] = []
  page.on('console', message => { if (message.text().includes('Content Security Policy')) refused.push(message.text()) })
  page.on('request', request => { if (new URL(request.url()).hostname !== '127.0.0.1' && !request.url().startsWith('data:')) elsewhere.push(request.url()) })
  await signIn(page, 'lead')
  for (const path of ['/runs/M-201', '/runs/M-201/sheet/B', '/test/A-118', '/rules', '/rules/plans/rect90-male-24ch']) {
    await page.goto(path)
    await page.waitForLoadState('networkidle')
  }
  await page.goto('/test/A-119')
  await lines(page, '')
  expect(elsewhere).toEqual([])
  expect(refused).toEqual([])
})

test('a wrong password and a page for others are refused in words', async ({ page }) => {
  await page.goto('/runs/A-114')
  await expect(page).toHaveURL(/sign-in\?to=/)
  await page.getByLabel('Sign-in name').fill('bench@brackwater.example')
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('alert')).toContainText('do not match')
  await page.getByLabel('Password').fill('brackwater')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page).toHaveURL(/runs\/A-114/)
  await page.goto('/schedule')
  await expect(page.getByRole('button', { name: 'Add run' })).toHaveCount(0)
})
