import { gzipSync } from 'node:zlib'
import { signIn } from './crew'
import { expect, type Page, test } from './house'

/** Bytes of scripts and styles that a page needs, compressed; fonts and pictures aside. */
async function weigh(page: Page, open: () => Promise<unknown>) {
  const bodies: Promise<number>[] = []
  page.on('response', response => {
    const isPart = /\/build\/.*\.(js|css)$/.test(new URL(response.url()).pathname)
    if (isPart && response.ok()) bodies.push(response.body().then(body => gzipSync(body, { level: 9 }).length))
  })
  await open()
  await page.waitForLoadState('networkidle')
  return (await Promise.all(bodies)).reduce((sum, bytes) => sum + bytes, 0)
}

test('the first page is light', async ({ page }) => {
  const bytes = await weigh(page, () => page.goto('/sign-in'))
  await expect(page.getByLabel('Password')).toBeVisible()
  console.log(`sign-in: ${bytes} bytes`)
  expect(bytes).toBeGreaterThan(50_000)
  expect(bytes).toBeLessThan(150_000)
})

test('a page brings nothing that only others need', async ({ page }) => {
  for (const [place, most] of [
    ['/schedule', 245_000],
    ['/bench', 165_000],
    ['/site', 145_000],
  ] as const) {
    const fresh = await page.context().newPage()
    const bytes = await weigh(fresh, () => signIn(fresh, 'lead', place))
    console.log(`${place}: ${bytes} bytes`)
    expect(bytes).toBeLessThan(most)
    await fresh.close()
  }
})

test('what is behind a press comes when it is pressed', async ({ page }) => {
  await signIn(page, 'lead')
  const who = page.getByRole('button', { name: /Odile|lead/ })
  await expect(who).toHaveAttribute('aria-expanded', 'false')
  await who.press('Enter')
  await expect(page.getByText('Your account')).toBeVisible()
  await expect(who).toHaveAttribute('aria-expanded', 'true')
  await page.keyboard.press('Escape')
  await expect(page.getByText('Your account')).toBeHidden()
  await expect(who).toBeFocused()
  await page.keyboard.press('/')
  await expect(page.getByRole('dialog').getByRole('combobox', { name: 'Find' })).toBeFocused()
})
