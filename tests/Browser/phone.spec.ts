import { expect, type Page, test } from './house'
import { signIn } from './crew'

test('on a phone what the role needs stands in the bar, and everything else is a press away', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'bench', '/bench')
  const rail = page.getByRole('navigation', { name: 'Places of work' })
  for (const name of ['Bench', 'Cutting', 'Labels']) {
    const link = rail.getByRole('link', { name })
    await expect(link).toBeVisible()
    expect((await link.boundingBox())!.height).toBeGreaterThanOrEqual(48)
  }
  await expect(rail.getByRole('link', { name: 'Schedule' })).toBeHidden()
  const more = rail.getByRole('button', { name: /^All places/ })
  expect((await more.boundingBox())!.height).toBeGreaterThanOrEqual(48)
  await more.click()
  await page.keyboard.press('Escape')
  await expect(rail.getByRole('link', { name: 'Schedule' })).toBeHidden()
  await more.click()
  await expect(rail.getByRole('button', { name: 'Find' })).toBeVisible()
  await rail.getByRole('link', { name: 'Schedule' }).click()
  await expect(page.getByRole('heading', { name: 'Schedule' })).toBeVisible()
  // Where one is stands in the bar, though it is none of the role's.
  await expect(rail.getByRole('button', { name: /^Schedule/ })).toHaveAttribute('aria-expanded', 'false')
})

/** px that a glove needs (interface guide of the house). */
const THUMB = 48
/** Whatever is pressed and is lower than that, by what is really hit above and below its middle. */
const small = (page: Page) =>
  page.evaluate(thumb => {
    const reach = (thumb - 4) / 2
    const bad: string[] = []
    for (const each of document.querySelectorAll<HTMLElement>(
      '.place :is(button, a, select, input, summary, textarea)',
    )) {
      // Contacts of a drawn connector are as wide as there is room; each can be typed. Words in a sentence stay words.
      if (each.closest('svg') || each.matches('.visually-hidden') || (each.matches('a') && each.closest('p'))) continue
      // A field is pressed by what is written on it, too.
      const own = each.closest('label, .v-input') ?? each
      own.scrollIntoView({ block: 'center' })
      const { left, top, width, height } = own.getBoundingClientRect()
      if (each.getBoundingClientRect().width === 0 || getComputedStyle(each).visibility === 'hidden') continue
      const hits = (y: number) => {
        const hit = document.elementFromPoint(left + width / 2, y)
        return hit !== null && (own.contains(hit) || hit.contains(own))
      }
      const middle = top + height / 2
      if (!hits(middle - reach) || !hits(middle + reach))
        bad.push(`${each.tagName} ${Math.round(height)} "${each.innerText || (each.getAttribute('aria-label') ?? '')}"`)
    }
    return bad
  }, THUMB)

test.describe('with gloves', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } })
  test('every press at the bench, at a test and on site is as wide as a thumb', async ({ page }) => {
    await signIn(page, 'lead', '/bench')
    for (const path of ['/bench', '/bench/M-201', '/bench/C-420', '/test', '/test/A-118', '/test/M-201', '/site']) {
      await page.goto(path)
      await page.waitForLoadState('networkidle')
      expect.soft(await small(page), path).toEqual([])
    }
  })
})
