import { expect, test } from './house'
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
