import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Page, test } from './house'
import { go, lines, signIn } from './crew'

const VIEWS = [
  '/api/docs',
  '/schedule',
  '/runs/A-114',
  '/runs/M-203/assembly',
  '/patterns',
  '/runs/M-201',
  '/runs/M-201/sheet/B',
  '/runs/P-007/sheet/A',
  '/bench',
  '/bench/M-201',
  '/bench/A-119',
  '/labels',
  '/crew',
  '/crew/people',
  '/crew/workshop',
  '/test',
  '/test/A-118',
  '/test/P-007',
  '/test/M-203',
  '/test/instruments',
  '/test/trainer',
  '/site',
  '/handover',
  '/notices',
  '/progress',
  '/handover/releases',
  '/handover/overtaken',
  '/handover/pack',
  '/handover/service',
  '/crew/log',
  '/account',
  '/organisation',
  '/installations',
  '/rules',
  '/rules/building',
  '/rules/building/walk',
  '/looms',
  '/looms/L1',
  '/cutting',
  '/parts',
  '/parts/worth',
  '/reach',
  '/rules/equipment',
  '/rules/plans',
  '/rules/plans/rect90-male-24ch',
  '/rules/catalogue?kind=connector&id=xlr3-male-cable',
]
const DARK = [
  '/notices',
  '/schedule',
  '/progress',
  '/site',
  '/handover',
  '/handover/releases',
  '/rules/building',
  '/looms/L1',
  '/cutting',
  '/reach',
  '/runs/M-201/sheet/B',
  '/bench',
  '/bench/M-201',
  '/labels',
  '/crew',
  '/account',
  '/organisation',
  '/test/A-118',
  '/rules',
]
/** What of a theme can be wrong by itself: its colours. Everything else is the same page. */
const OF_A_THEME = ['color-contrast', 'link-in-text-block']
const THEME = '.v-theme--'

/** Reads a view with axe; the dark theme is looked at where it is, without another load. */
async function look(page: Page, path: string, themes: boolean) {
  const quiet = page.waitForResponse(answer => answer.url().includes('/api/'))
  await go(page, path)
  await quiet
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(250)
  const serious = async (axe: AxeBuilder, theme: string) => {
    const found = await axe
      .options({ resultTypes: ['violations'], ...(theme === 'dark' ? { runOnly: OF_A_THEME } : {}) })
      .analyze()
    const bad = found.violations.filter(each => each.impact === 'serious' || each.impact === 'critical')
    expect.soft(bad.map(each => `${theme} ${path} ${each.id}: ${each.nodes[0]?.html}`)).toEqual([])
  }
  await serious(new AxeBuilder({ page }), 'light')
  if (!themes) return
  await page.evaluate(() => {
    localStorage.setItem('sartal.theme', 'dark')
    window.dispatchEvent(
      new StorageEvent('storage', { key: 'sartal.theme', newValue: 'dark', storageArea: localStorage }),
    )
  })
  await expect(page.locator(`${THEME}dim`).first()).toBeAttached()
  await serious(new AxeBuilder({ page }), 'dark')
  await page.evaluate(() => {
    localStorage.setItem('sartal.theme', 'light')
    window.dispatchEvent(
      new StorageEvent('storage', { key: 'sartal.theme', newValue: 'light', storageArea: localStorage }),
    )
  })
}

// In pieces, so that they can be worked side by side.
const PIECES = 4
for (let piece = 0; piece < PIECES; piece++) {
  test(`no serious violation on any view, ${piece + 1} of ${PIECES}`, async ({ page }) => {
    test.setTimeout(240_000)
    await signIn(page, 'lead')
    for (const path of VIEWS.filter((_, i) => i % PIECES === piece)) await look(page, path, DARK.includes(path))
  })
}

test('no serious violation where a type is written', async ({ page }) => {
  await signIn(page, 'planner')
  for (const type of ['kind=cable&id=multicore-8', 'kind=connector&id=rect90-male', 'kind=signal&id=analogue']) {
    await go(page, `/rules/catalogue?${type}`)
    await page.getByRole('button', { name: 'Copy as a new type' }).click()
    await page.waitForLoadState('networkidle')
    const more = page.getByRole('button', { name: 'more' }).first()
    if (await more.isVisible()) await more.click()
    const found = await new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).analyze()
    const bad = found.violations.filter(each => each.impact === 'serious' || each.impact === 'critical')
    expect.soft(bad.map(each => `${type} ${each.id}: ${each.nodes[0]?.html}`)).toEqual([])
    await page.getByRole('button', { name: 'Cancel' }).click()
  }
})

test('every address of the application is a view that is looked at', () => {
  const own = readFileSync('resources/js/router.ts', 'utf8').matchAll(/path: '([^']+)', component/g)
  const paths = [...own]
    .map(each => each[1]!)
    // At the root nothing is shown: it leads to where one's work is.
    .filter(each => each !== '/' && each !== '/sign-in' && !each.startsWith('/join') && !each.includes('('))
  expect(paths.length).toBeGreaterThan(30)
  const missing = paths.filter(
    each => !VIEWS.some(view => new RegExp(`^${each.replaceAll(/:\w+/g, '[^/?]+')}$`).test(view.split('?')[0]!)),
  )
  expect(missing).toEqual([])
})

test('on a phone a test is read by touch alone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'tester', '/test/V-404')
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
  page.on('console', message => {
    if (message.text().includes('Content Security Policy')) refused.push(message.text())
  })
  page.on('request', request => {
    if (new URL(request.url()).hostname !== '127.0.0.1' && !request.url().startsWith('data:'))
      elsewhere.push(request.url())
  })
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
