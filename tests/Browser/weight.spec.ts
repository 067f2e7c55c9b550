import { gzipSync } from 'node:zlib'
import { signIn } from './crew'
import { expect, type Page, test } from './house'

declare global {
  interface Window {
    moved: { value: number; what: string }[]
  }
}

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

/** Sum of what moved by itself while a page opened (Layout Instability API, W3C), with what moved most. */
async function moved(page: Page, path: string) {
  await page.goto(path)
  await page.waitForLoadState('networkidle')
  const all = await page.evaluate(() => window.moved)
  return {
    sum: all.reduce((sum, each) => sum + each.value, 0),
    most: all.sort((a, b) => b.value - a.value)[0]?.what ?? '',
  }
}

const AT_A_DESK = [
  '/schedule',
  '/labels',
  '/test',
  '/handover',
  '/rules/plans/rect90-male-24ch',
  '/runs/M-203/assembly',
]
const IN_THE_HAND = ['/schedule', '/bench/M-201', '/test', '/test/A-118', '/site', '/handover', '/runs/M-201']
const SHEETS = ['/runs/M-201/sheet/B', '/runs/A-114/sheet/A']

for (const [width, height, paths] of [
  [1280, 800, [...AT_A_DESK, ...SHEETS]],
  [390, 844, [...IN_THE_HAND, ...SHEETS]],
] as const)
  test(`nothing moves from under a finger while a page opens, ${width} wide`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await signIn(page, 'lead')
    await page.addInitScript(() => {
      window.moved = []
      new PerformanceObserver(list => {
        for (const each of list.getEntries() as unknown as (PerformanceEntry & {
          value: number
          hadRecentInput: boolean
          sources: { node: Element | null }[]
        })[])
          if (!each.hadRecentInput)
            window.moved.push({
              value: each.value,
              what: each.sources.map(source => source.node?.nodeName ?? '').join(' '),
            })
      }).observe({ type: 'layout-shift', buffered: true })
    })
    for (const path of paths) {
      const { sum, most } = await moved(page, path)
      // A tenth is held to be good (Core Web Vitals); here nothing is to be seen of it.
      expect.soft(sum, `${path}: ${most}`).toBeLessThan(0.03)
    }
  })
