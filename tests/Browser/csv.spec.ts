import Papa from 'papaparse'
import { signIn } from './crew'
import { at, expect, test } from './house'

test('the exported schedule reads the same in another CSV reader', async ({ page }) => {
  await signIn(page, 'planner')
  const text = await (await page.request.get('/api/schedule.csv')).text()
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: true })
  expect(parsed.errors).toEqual([])
  const run = parsed.data.find(each => each.code === 'P-007')!
  expect([run.signals, run.ways, run.leg_a, run.note]).toEqual([
    'mains|analogue',
    'amp-mains|hall-mains',
    '0.3',
    'Mains part: licensed person only',
  ])
  expect(parsed.data.length).toBeGreaterThan(38)
})

test('a write without the token of the page is refused', async ({ page }) => {
  await signIn(page, 'planner')
  const statuses = await page.evaluate(async of => {
    const send = async (path: string, method: string) =>
      (await fetch(path, { method, headers: { Accept: 'application/json' } })).status
    return [
      await send(`/api/i/${of}/runs`, 'POST'),
      await send(`/api/i/${of}/runs/A-114`, 'DELETE'),
      await send('/api/session', 'DELETE'),
      await send(`/api/i/${of}/events`, 'POST'),
    ]
  }, at())
  expect(statuses).toEqual([419, 419, 419, 419])
})
