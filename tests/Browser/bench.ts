import { expect, type Page } from './house'

export const kicker = (page: Page) => page.locator('.kicker').innerText()
export const words = (page: Page) => page.locator('.huge').first().innerText()
/** What was confirmed has arrived, and something else comes next. */
export const settled = async (page: Page, was: string) => {
  await expect.poll(async () => (await kicker(page)) + (await words(page))).not.toBe(was)
  await expect(page.locator('footer')).not.toContainText('saving')
}

/** Does what comes next until somebody has to look an end over. */
export async function untilLook(page: Page) {
  const seen: string[] = []
  for (let n = 0; n < 80; n++) {
    await expect(page.locator('.huge').first()).toBeVisible()
    if ((await page.locator('.look').count()) && (await words(page)).includes('before it is closed')) return seen
    const was = (await kicker(page)) + (await words(page))
    seen.push(await words(page))
    if (await page.locator('.gate').count()) {
      for (const part of await page.locator('.gate input').all()) await part.check()
      await page.getByRole('button', { name: 'All of it is on' }).click()
    } else if (await page.locator('.look').count()) {
      await page.getByRole('button', { name: 'All of it is good' }).click()
    } else {
      if (await page.getByText(/Let it cool/).isVisible()) {
        await page.keyboard.press('Space')
        await expect(page.getByText(/Let it cool/)).toBeHidden()
      }
      await page.keyboard.press('Space')
    }
    await settled(page, was)
  }
  throw new Error('nobody had to look it over: ' + seen.join(' | '))
}
