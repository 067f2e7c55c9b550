import { expect, test } from './house'
import { go, signIn } from './crew'

test('the theme is the system’s until somebody sets it, and dates are written as they set them', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' })
  await signIn(page, 'lead')
  const html = page.locator('html')
  await expect(html).toHaveAttribute('data-theme', 'dim')
  await page.emulateMedia({ colorScheme: 'light' })
  await expect(html).toHaveAttribute('data-theme', 'light')
  const choose = async (words: string) => {
    await page.getByRole('button', { name: /Brackwater Tide Station/ }).click()
    await page.getByText(words, { exact: true }).click()
  }
  await choose('Dark theme, for plant rooms')
  await expect(html).toHaveAttribute('data-theme', 'dim')
  await choose('Theme as the system has it')
  await expect(html).toHaveAttribute('data-theme', 'light')

  await choose('Dates as 2026-03-09, 14:05')
  await go(page, '/progress')
  await expect(page.getByText(/^(Mon|Tue|Wed|Thu|Fri) \d{4}-\d\d-\d\d,$/)).toBeVisible()
  await choose('Dates as 9 Mar 2026, 14:05')
  await expect(page.getByText(/^(Mon|Tue|Wed|Thu|Fri),? \d+ \w{3,4},$/)).toBeVisible()
})

test('it can be installed: what its manifest names is there, and as large as it says', async ({ page }) => {
  await page.goto('/sign-in')
  // As the browser asks for it: below the address of no installation.
  const manifest = await page.evaluate(async () => {
    const link = document.querySelector<HTMLLinkElement>('link[rel=manifest]')!
    return (await (await fetch(link.href)).json()) as {
      display: string
      start_url: string
      icons: { src: string; sizes: string }[]
    }
  })
  expect(manifest.display).toBe('standalone')
  expect(await page.evaluate(async from => (await fetch(from)).ok, manifest.start_url)).toBe(true)
  for (const { src, sizes } of manifest.icons) {
    const width = await page.evaluate(async from => {
      const image = new Image()
      image.src = from
      await image.decode()
      return image.naturalWidth
    }, src)
    if (sizes !== 'any') expect(`${width}x${width}`).toBe(sizes)
  }
})
