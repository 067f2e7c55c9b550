import { readFile } from 'node:fs/promises'
import readXlsxFile from 'read-excel-file/node'
import writeXlsxFile from 'write-excel-file/node'
import { expect, test, type Page } from './house'
import { signIn } from './crew'
import { seconds, watchHands } from './hands'

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
type Cells = (string | number)[][]

async function workbook(sheets: Record<string, Cells>): Promise<Buffer> {
  const cell = (value: string | number) =>
    typeof value === 'number' ? { value, type: Number } : { value, type: String }
  return writeXlsxFile(
    Object.entries(sheets).map(([sheet, rows]) => ({ sheet, data: rows.map(row => row.map(cell)) })),
  ).toBuffer()
}
async function offer(page: Page, buffer: Buffer, name = 'list.xlsx') {
  await page.getByRole('button', { name: 'In and out' }).click()
  await page.getByText('Import runs or an installation …').click()
  await page.getByLabel('File to import').setInputFiles({ name, mimeType: XLSX, buffer })
}

/** What somebody kept their cables in until now: a title, words of their own, slips of the finger. */
function messy(): Cells {
  let seed = 20261202
  const one = <T>(of: T[]): T => {
    seed = (seed * 1103515245 + 12345) % 2147483648
    return of[(seed >> 8) % of.length]!
  }
  const kinds: [string, string, string, string][] = [
    ['Cat 6a', 'Ethernet', 'RJ45', 'RJ45'],
    ['CAT6A F/UTP', 'network', 'RJ45', 'RJ45'],
    ['mic cable', 'Mic', 'XLR3F', 'XLR3M'],
    ['miniature coax', 'SDI', 'BNC', 'BNC'],
    ['Speaker cable', 'loudspeaker', '', ''],
  ]
  const places = ['Amp rack 1', 'FOH', 'Lecturn', 'Media rack', 'comms rack', 'Stage box 1', 'Foyer', 'Server room']
  const rows: Cells = [
    ['Cable list, as of spring'],
    [],
    ['Tag', 'Cable type', 'Service', 'From', 'To', 'Connector A', 'Connector B', 'Length (m)', 'Remarks', 'Checked by'],
  ]
  for (let n = 1; n <= 200; n++) {
    const [cable, signal, a, b] = one(kinds)
    const from = one(places)
    const to = one(places.filter(place => place !== from))
    const code = `Q-${String(n === 120 ? 119 : n).padStart(3, '0')}`
    rows.push([
      code,
      cable,
      signal,
      from,
      to,
      a,
      b,
      n === 60 ? 'ca. 20' : 5 + (n % 40),
      n % 9 ? '' : '=see drawing',
      'ok',
    ])
  }
  return rows
}

test('a messy list of 200 rows comes in within three minutes of work', async ({ page }) => {
  const hands = await watchHands(page)
  await signIn(page, 'planner')
  await offer(page, await workbook({ Notes: [['Ask the hall']], Cables: messy() }))
  await page.getByRole('checkbox', { name: /Notes/ }).uncheck()
  await page.getByRole('checkbox', { name: /Cables/ }).check()
  await expect(page.getByText('9 columns understood')).toBeVisible()
  await expect(page.getByLabel('Cat 6a stands for')).toHaveValue('cat6a-futp')
  await expect(page.getByLabel('Server room stands for')).toHaveValue('+')
  // Two kinds of loudspeaker cable are alike, and which it is nobody has said.
  await page.getByLabel('Speaker cable stands for').selectOption('loudspeaker-2')
  await page.getByRole('textbox', { name: 'length of row 63' }).fill('20')
  await page.keyboard.press('Tab')
  await page.getByRole('textbox', { name: 'code of row 123' }).fill('Q-120')
  await page.keyboard.press('Tab')
  await expect(page.getByText('1 place will be made')).toBeVisible()
  await page.getByLabel(/Make a way of the length that is said/).check()
  await page.getByRole('button', { name: 'Import 200 runs' }).click()
  await expect(page.getByText('200 runs are imported.')).toBeVisible({ timeout: 60_000 })
  // What a test chooses of a list at once, hands press open and press.
  const counted = await hands()
  const done = { ...counted, presses: counted.presses + 2, chunks: counted.chunks + 1 }
  const minutes = seconds(done) / 60
  console.log(`hands, messy list: ${done.keys} keys, ${done.presses} presses, ${Math.round(seconds(done))} s`)
  expect(minutes).toBeLessThan(3)
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByLabel('Filter the schedule').fill('Q-')
  await expect(page.getByText(/^200 of 246 runs$/)).toBeVisible()
  const { rows } = await page.request.get('/api/schedule').then(answer => answer.json())
  const note = (code: string) => rows.find((row: { code: string }) => row.code === code).note
  expect([note('Q-009'), note('Q-010')]).toEqual(['=see drawing', ''])

  // The next list of the same people is understood at once.
  await page.getByLabel('Filter the schedule').fill('')
  await offer(page, await workbook({ Cables: messy().map(row => row.map(cell => String(cell).replace(/^Q-/, 'R-'))) }))
  await expect(page.getByRole('row', { name: /^Speaker cable/ })).toContainText('as the last list that had it was read')
  await page.getByRole('button', { name: 'Close' }).click()
  // What was begun is still there.
  await page.getByRole('button', { name: 'In and out' }).click()
  await page.getByText('Import runs or an installation …').click()
  await expect(page.getByRole('row', { name: /^Speaker cable/ })).toBeVisible()
})

test('the schedule goes out as a workbook and comes back in', async ({ page }) => {
  await signIn(page, 'planner')
  await page.getByRole('button', { name: 'In and out' }).click()
  const [saved] = await Promise.all([page.waitForEvent('download'), page.getByText('Schedule as a workbook').click()])
  expect(saved.suggestedFilename()).toBe('schedule.xlsx')
  const bytes = await readFile(await saved.path())
  const [sheet] = await readXlsxFile(bytes)
  const [head, ...rows] = sheet!.data
  expect(rows.length).toBe(
    await page.request.get('/api/schedule').then(async answer => (await answer.json()).rows.length),
  )
  const at = (name: string) => head!.indexOf(name)
  const first = rows.find(row => row[at('code')] === 'A-114')!
  expect([first[at('from')], typeof first[at('cut_length')]]).toEqual(['lectern', 'number'])
  // Under other codes the same runs come in, but for those that share something with another.
  const alone = rows.filter(row => !row[at('joined')]).slice(0, 5)
  const cells = [head!, ...alone.map(row => row.map((cell, i) => (i === at('code') ? `Z ${String(cell)}` : cell)))]
  await offer(page, await workbook({ Schedule: cells.map(row => row.map(cell => (cell ?? '') as string | number)) }))
  await expect(page.getByRole('button', { name: 'Import 5 runs' })).toBeVisible()
})

test('a workbook that is none is refused in words', async ({ page }) => {
  await signIn(page, 'planner')
  await offer(page, Buffer.from('not a workbook'), 'broken.xlsx')
  await expect(page.getByRole('alert')).toContainText('This workbook cannot be opened.')
})

test('a workbook of a thousand rows comes in and goes out', async ({ page }) => {
  await signIn(page, 'planner')
  const head = ['code', 'cable', 'signals', 'from', 'to', 'note', 'tail_a', 'tail_b', 'slack_a', 'slack_b']
  const row = (n: number) => [
    `L ${n}`,
    'star-quad',
    'analogue',
    'lectern',
    'foyer',
    `line ${n} of many`,
    1,
    1.5,
    0.3,
    0.3,
  ]
  await offer(page, await workbook({ Long: [head, ...Array.from({ length: 1000 }, (_, n) => row(n))] }))
  await page.getByRole('button', { name: 'Import 1000 runs' }).click()
  await expect(page.getByText('1000 runs are imported.')).toBeVisible({ timeout: 120_000 })
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: 'In and out' }).click()
  const [saved] = await Promise.all([
    page.waitForEvent('download', { timeout: 120_000 }),
    page.getByText('Schedule as a workbook').click(),
  ])
  const [sheet] = await readXlsxFile(await readFile(await saved.path()))
  const at = (name: string) => sheet!.data[0]!.indexOf(name)
  const last = sheet!.data.find(each => each[at('code')] === 'L 999')!
  expect([last[at('note')], last[at('tail_b')]]).toEqual(['line 999 of many', 1.5])
})
