import { expect, test, type Page } from './house'
import { strToU8, zipSync } from 'fflate'
import { accept, choose, go, signIn } from './crew'
import { seconds, watchHands } from './hands'

const undo = async (page: Page, said: RegExp) => {
  await page.goto('/schedule')
  await expect(page.locator('.rows .row').first()).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByText(said)).toBeVisible()
}

test('24 channels are laid on the 90-way face, a mismatch is found against the panel, the plan is saved', async ({
  page,
}) => {
  await signIn(page, 'planner', '/rules/plans/new')
  await choose(page, 'Connector', '90-way rectangular, male', /90-way rectangular, male/)
  await page.getByLabel('Channels', { exact: true }).fill('24')
  await page.getByLabel('Block of').fill('6')
  await page.getByRole('button', { name: 'Lay out' }).click()
  const channels = page.getByRole('table', { name: 'Channels' })
  await expect(channels.getByRole('row')).toHaveCount(25)
  await expect(channels.getByRole('row', { name: /^24 / })).toContainText('D16')
  await page.getByRole('combobox', { name: 'Compare with the plan of' }).click({ force: true })
  await page.getByRole('option', { name: /90-way rectangular, female/ }).click()
  await expect(page.getByText('All 72 contacts meet their own function.')).toBeVisible()
  // The mismatch: channel 7 hot goes to a free contact instead.
  await channels.getByRole('button', { name: 'channel 7 hot: B1' }).click()
  await expect(page.getByText('In hand: channel 7 hot')).toBeVisible()
  await page.getByRole('button', { name: 'contact E1', exact: true }).click()
  const wrong = page.getByRole('table', { name: 'Contacts that do not agree' })
  await expect(wrong.getByRole('row', { name: 'E1 7 hot E1 free' })).toBeVisible()
  await expect(wrong.getByRole('row', { name: 'B1 free B1 7 hot' })).toBeVisible()
  await expect(page.getByText('2 of 73 contacts do not agree')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('All 72 contacts meet their own function.')).toBeVisible()
  await page.getByRole('button', { name: 'Save …' }).click()
  await page.getByLabel('Name').fill('Hall 24')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page).toHaveURL(/rules\/plans\/rect90-male-hall-24/)
  await page.goto('/rules/plans')
  await page.getByLabel('Filter contact plans').fill('hall 24')
  await expect(page.getByRole('row', { name: /Hall 24 .* this installation/ })).toBeVisible()
  await undo(page, /Undone: Plan Hall 24 added/)
})

test('the exit of a hood moves, the lengths change, and the sheet prints', async ({ page }) => {
  await signIn(page, 'planner', '/runs/M-201')
  await page.getByRole('link', { name: 'sheet for the vice' }).last().click()
  await expect(page).toHaveURL(/runs\/M-201\/sheet\/B/)
  const stagger = page.getByRole('table', { name: 'Staggered cut' })
  await expect(stagger.getByRole('row', { name: /1 BN 1 to 6 18 mm shortest/ })).toBeVisible()
  await expect(stagger.getByRole('row', { name: /4 YE 19 to 24 38 mm 19.05 mm/ })).toBeVisible()
  const length = page.getByRole('row', { name: /A1 hot · 1$/ }).locator('summary')
  const before = await length.textContent()
  await page.getByRole('button', { name: 'left side' }).click()
  await accept(page)
  await expect(stagger.getByRole('row', { name: /4 YE 19 to 24 \d+ mm shortest/ })).toBeVisible()
  expect(await length.textContent()).not.toBe(before)
  await length.click()
  await expect(page.getByText(/across to contact A1/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Turn anticlockwise' }).click()
  const href = await page.getByRole('link', { name: 'Print' }).getAttribute('href')
  expect(href).toContain('turn=90')
  const pdf = await page.request.get(href!)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
  await page.getByRole('button', { name: 'End A' }).click()
  await expect(page.getByText('legs 1 to 24').first()).toBeVisible()
  await expect(page.getByText('Breakout boot, 24 tails')).toBeVisible()
  await undo(page, /Undone: M-201 B made up otherwise/)
})

test('a house rule shows what it would change; nothing is saved until it is', async ({ page }) => {
  await signIn(page, 'lead', '/rules')
  await page.getByLabel('screen open at the far end (B), shell free').check()
  const verdict = page.getByRole('complementary')
  await expect(verdict.getByText(/done already, and would no longer fit/)).toBeVisible()
  await expect(verdict.getByText(/takes phantom power from .* its screen is not whole/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Leave as it was' }).click()
  await expect(verdict.getByText('Choose another answer')).toBeVisible()
  await page.getByLabel(/^cut long by the trim allowance/).check()
  await expect(verdict.getByText(/cut lengths:/)).toBeVisible()
  await page.getByRole('button', { name: 'Save the rules' }).click()
  await accept(page)
  await expect(page.getByText('House rules are saved.')).toBeVisible()
  await undo(page, /Undone: House rules changed/)
})

test('a loom answers otherwise than the house, and one end otherwise than its loom', async ({ page }) => {
  await signIn(page, 'lead', '/rules')
  const question = page.getByRole('group', { name: 'How much of a twisted screen is tinned?' })
  await question.getByRole('button', { name: 'Otherwise for…' }).click()
  await question.getByRole('combobox').selectOption({ label: 'loom L4 gallery' })
  await expect(question.getByRole('combobox', { name: /For loom L4 gallery/ })).toHaveValue('full')
  const verdict = page.getByRole('complementary')
  await expect(verdict).toContainText('loom L4 gallery: all of it')
  await page.getByRole('button', { name: 'Save the rules' }).click()
  await expect(page.getByText('House rules are saved.')).toBeVisible()
  await go(page, '/runs/A-118/sheet/A')
  const tinned = page.getByRole('listitem').filter({ hasText: 'How much of a twisted screen is tinned?' })
  await expect(tinned).toContainText('all of it loom L4 gallery')
  await tinned.getByRole('button').click()
  await tinned.getByRole('combobox').selectOption('first-half')
  await expect(tinned).toContainText('the first half, from the tip this end')
  // What both ends have to agree on is not offered here.
  const hot = page.getByRole('listitem').filter({ hasText: 'Which core of an audio pair is hot?' })
  await expect(hot.getByRole('button')).toHaveCount(0)
  await page.goto('/schedule')
  await undo(page, /Undone: A-118 end A/)
  await undo(page, /Undone: House rules changed/)
})

test('a run comes from one line of words', async ({ page }) => {
  await signIn(page, 'planner')
  await page.keyboard.press('q')
  const line = page.getByLabel('How many, which signal, from > to, via')
  await line.fill('mic floor box > amp rack')
  await expect(page.getByText(/It could be Floor box 1 or Floor box 2/)).toBeVisible()
  await line.fill('24 mic stage box 2 > amp rack patch via under-stage tray')
  await expect(page.getByText('24 circuits, 25 fittings')).toBeVisible()
  await page.getByRole('button', { name: /^Add M-/ }).click()
  await expect(page.getByText(/M-\d+ is saved\./)).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByText(/Undone: M-\d+ added/)).toBeVisible()
})

test('marked runs are changed and numbered at once, and undone as one', async ({ page }) => {
  await signIn(page, 'planner')
  await page.getByLabel('Filter the schedule').fill('C-42')
  await page.keyboard.press('Escape')
  await page.locator('#row-C-422').click()
  await page.keyboard.press('x')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('b')
  await expect(page.getByRole('heading', { name: '4 runs at once' })).toBeVisible()
  await page.getByLabel('number them anew').check()
  await page.getByLabel('Prefix').fill('N-')
  await page.getByLabel('First number').fill('10')
  await expect(page.getByText(/N-010, N-011, N-012/)).toBeVisible()
  await page.getByRole('button', { name: 'Change 4 runs' }).click()
  await expect(page.getByText('4 runs are changed.')).toBeVisible()
  await page.getByLabel('Filter the schedule').fill('N-0')
  await expect(page.getByText(/^4 of \d+ runs$/)).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('u')
  await expect(page.getByText('Undone: 4 runs: code changed')).toBeVisible()
})

test('find opens whatever has a name, from anywhere, and a scanned label at once', async ({ page }) => {
  await signIn(page, 'tester', '/test')
  await expect(page.getByRole('heading', { name: 'Test', exact: true })).toBeVisible()
  await page.keyboard.press('/')
  await page.getByRole('combobox', { name: 'Find' }).fill('tide mod')
  await expect(page.getByRole('option', { name: /place Tide model/ })).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.getByRole('combobox', { name: 'Find' }).fill('')
  await page.keyboard.type('A-114 B\n')
  await expect(page).toHaveURL(/runs\/A-114\/sheet\/B/)
  await page.keyboard.press('/')
  await page.getByRole('combobox', { name: 'Find' }).fill('nothing such')
  await expect(page.getByText('Nothing here has this name')).toBeVisible()
})

/** The smallest workbook that spreadsheets would write: strings in the cells. */
function workbook(rows: string[][]): Buffer {
  const cell = (text: string, c: number, r: number) =>
    `<c r="${String.fromCharCode(65 + c)}${r + 1}" t="inlineStr"><is><t>${text}</t></is></c>`
  const cells = rows
    .map((row, r) => `<row r="${r + 1}">${row.map((text, c) => cell(text, c, r)).join('')}</row>`)
    .join('')
  const formats = 'http://schemas.openxmlformats.org'
  const sheets = 'application/vnd.openxmlformats-officedocument.spreadsheetml'
  const file = (text: string) => strToU8(`<?xml version="1.0" encoding="UTF-8" standalone="yes"?>${text}`)
  return Buffer.from(
    zipSync({
      '[Content_Types].xml': file(
        `<Types xmlns="${formats}/package/2006/content-types">` +
          '<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>' +
          '<Default Extension="xml" ContentType="application/xml"/>' +
          `<Override PartName="/xl/workbook.xml" ContentType="${sheets}.sheet.main+xml"/>` +
          `<Override PartName="/xl/worksheets/sheet1.xml" ContentType="${sheets}.worksheet+xml"/></Types>`,
      ),
      '_rels/.rels': file(
        `<Relationships xmlns="${formats}/package/2006/relationships"><Relationship Id="rId1" ` +
          `Type="${formats}/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/>` +
          '</Relationships>',
      ),
      'xl/workbook.xml': file(
        `<workbook xmlns="${formats}/spreadsheetml/2006/main" ` +
          `xmlns:r="${formats}/officeDocument/2006/relationships">` +
          '<sheets><sheet name="Cables" sheetId="1" r:id="rId1"/></sheets></workbook>',
      ),
      'xl/_rels/workbook.xml.rels': file(
        `<Relationships xmlns="${formats}/package/2006/relationships"><Relationship Id="rId1" ` +
          `Type="${formats}/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/>` +
          '</Relationships>',
      ),
      'xl/worksheets/sheet1.xml': file(
        `<worksheet xmlns="${formats}/spreadsheetml/2006/main"><sheetData>${cells}</sheetData></worksheet>`,
      ),
    }),
  )
}

test('a workbook with other column names comes in, after the one unknown column is explained', async ({ page }) => {
  await signIn(page, 'planner')
  await page.getByRole('button', { name: 'In and out' }).click()
  await page.getByText('Import runs or an installation …').click()
  const buffer = workbook([
    ['Cable No', 'From location', 'To location', 'Stuff', 'Signal'],
    ['W-1', 'Lectern', 'Media rack', 'pair-foil', 'analogue'],
    ['W-2', 'Foyer', 'Media rack', 'pair-foil', 'analogue'],
  ])
  await page.getByLabel('File to import').setInputFiles({
    name: 'list.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer,
  })
  await page.getByLabel('stuff holds').selectOption('cable')
  await page.getByRole('button', { name: 'Import 2 runs' }).click()
  await expect(page.getByText('2 runs are imported.')).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.keyboard.press('u')
  await expect(page.getByText('Undone: 2 runs imported')).toBeVisible()
})

test('cells pasted from a spreadsheet are read like a file', async ({ page }) => {
  await signIn(page, 'planner')
  await expect(page.locator('.rows .row').first()).toBeVisible()
  await page.evaluate(() => {
    const data = new DataTransfer()
    data.setData('text/plain', 'code\tcable\tsignals\tfrom\tto\nT-1\tpair-foil\tanalogue\tLectern\tMedia rack')
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))
  })
  await expect(page.getByRole('table', { name: 'What would come in' }).getByRole('row', { name: /T-1/ })).toBeVisible()
})

test('a connector that does not fit says why where it is picked', async ({ page }) => {
  await signIn(page, 'planner')
  await page.keyboard.press('n')
  await choose(page, 'Cable', 'Category 6 U/UTP, solid', 'Category 6 U/UTP, solid')
  await choose(page, 'Signal', 'Network', /Network/)
  const field = page.getByRole('combobox', { name: 'Connector A', exact: true })
  await field.click()
  await field.fill('for stranded')
  await expect(page.getByRole('option', { name: /made for stranded/ }).first()).toBeVisible()
  await field.fill('8P8C')
  await expect(page.getByRole('option').first()).not.toContainText('✕')
})

test('a type is copied, kept as one’s own, and taken out again', async ({ page }) => {
  await signIn(page, 'planner', '/rules/catalogue?kind=cable&id=coax-75-12g')
  await expect(page.getByRole('row', { name: /Impedance 75.0 Ω/ })).toBeVisible()
  await page.getByRole('button', { name: 'Copy as a new type' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Barrage coax')
  // What is wrong is said while it is written, at its field.
  await page.getByLabel('Diameter over the sheath').fill('wide')
  await expect(page.getByRole('table', { name: 'What is wrong' })).toContainText('outerDiameter')
  await expect(page.getByRole('button', { name: 'Check' })).toBeDisabled()
  await page.getByLabel('Diameter over the sheath').fill('7 mm')
  await expect(page.getByRole('img', { name: /^Cut across, 7.0 mm/ })).toBeVisible()
  await page.getByRole('button', { name: 'Check' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Barrage coax' })).toBeVisible()
  await page.getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByText('Barrage coax is taken out.')).toBeVisible()
})

test('a multicore of 16 pairs and a connector of 48 contacts are written without a file', async ({ page }) => {
  const hands = await watchHands(page)
  await signIn(page, 'planner', '/rules/catalogue?kind=cable&id=pair-foil')
  await page.getByRole('button', { name: 'Copy as a new type' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Barrage multicore')
  await page.getByLabel('Family').fill('multicore')
  await page.getByLabel('Diameter over the sheath').fill('16 mm')
  await page.getByLabel('pair: label').fill('pair 1')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'pair 1: more' }).click()
  await page.getByLabel('So many like it').fill('16')
  await page.getByRole('button', { name: 'Repeat pair 1' }).click()
  const seen = page.getByRole('complementary', { name: 'As it is written' })
  const across = seen.getByRole('img', { name: /Cut across, 16.0 mm: 16 pair, 16 foil, 32 core, 16 drain/ })
  await expect(across).toBeVisible()
  await page.getByRole('button', { name: 'Check' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Barrage multicore' })).toBeVisible()
  const cable = await hands()
  console.log(`hands, cable type: ${cable.keys} keys, ${cable.presses} presses, ${Math.round(seconds(cable))} s`)
  expect(seconds(cable)).toBeLessThan(180)

  await page.goto(page.url().replace(/kind=.*/, 'kind=connector&id=rect56-male'))
  await page.getByRole('button', { name: 'Copy as a new type' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Barrage connector')
  await page.getByText('Lay all contacts at once').click()
  await page.getByLabel('Columns').fill('8')
  await page.getByLabel('Rows', { exact: true }).fill('6')
  await page.getByLabel('Called').selectOption('letter by row')
  await page.getByRole('button', { name: 'Lay 48 contacts' }).click()
  await expect(page.getByRole('textbox', { name: 'Contacts 48 Contact', exact: true })).toHaveValue('F8')
  // A contact twice is named before it is saved.
  await page.getByRole('textbox', { name: 'Contacts 48 Contact', exact: true }).fill('A1')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('table', { name: 'What is wrong' })).toContainText('A1')
  await page.getByRole('textbox', { name: 'Contacts 48 Contact', exact: true }).fill('F8')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Check' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Barrage connector' })).toBeVisible()
  const both = await hands()
  console.log(`hands, both types: ${both.keys} keys, ${both.presses} presses, ${Math.round(seconds(both))} s`)
  // The cable is offered where a run is entered, with all its pairs.
  const address = new URL(page.url()).pathname.split('/')[2]
  const type = await (await page.request.get(`/api/i/${address}/types/cable/barrage-multicore`)).json()
  expect(type.definition.construction.children.map((each: { key: string }) => each.key)).toEqual(
    Array.from({ length: 16 }, (_, i) => `p${i + 1}`),
  )
})

test('a jack with another print of its slots is made of the nearest one, and its sheet shows it', async ({ page }) => {
  const hands = await watchHands(page)
  await signIn(page, 'planner', '/rules/catalogue?kind=connector&id=8p8c-jack-screened')
  await page.getByRole('button', { name: 'Change for this installation' }).click()
  const print = page.getByLabel('Contacts in the order of their print')
  await expect(print).toHaveValue('5\n4\n1\n2\n8\n7\n6\n3')
  await print.fill('1\n2\n3\n6\n5\n4\n7\n8')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Check' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Saved in this installation.')).toBeVisible()
  const done = await hands()
  console.log(`hands, jack: ${done.keys} keys, ${done.presses} presses, ${Math.round(seconds(done))} s`)
  expect(seconds(done)).toBeLessThan(180)
  await go(page, '/runs/C-429/sheet/B')
  await expect(page.getByText(/Slots as the jack prints them: 1 2 3 6 5 4 7 8/)).toBeVisible()
  await page.goto('/schedule')
  await undo(page, /Undone: Connector 8P8C jack, screened/)
})

test('a leg is sleeved by itself, and what to cut is a sum', async ({ page }) => {
  await signIn(page, 'planner', '/runs/P-007/sheet/B')
  await page.getByRole('tab', { name: 'P-007 B 1' }).click()
  const sleeve = page.getByLabel('Sleeve over this leg').first()
  await expect(sleeve).toHaveValue('-')
  await sleeve.selectOption({ label: 'whichever goes round it' })
  // 350 mm of leg and an eighth more, rounded up.
  const cut = page.getByText(/^Braided sleeving.*cut to 400 mm$/)
  await cut.click()
  await expect(page.getByText('because it shortens as it opens')).toBeVisible()
  await expect(page.getByText(/Its ends are held with two short pieces of/)).toBeVisible()
  await undo(page, /Undone: P-007 end B: leg 1 sleeved with what goes round it/)
})

test('a plug goes into a port, and the port says what fits', async ({ page }) => {
  await signIn(page, 'planner', '/rules/equipment')
  const port = page.getByLabel('plugged into Amplifier patch panel in 33')
  await port.selectOption({ label: 'A-117 B · A-117' })
  await expect(page.getByText('Plugged in.')).toBeVisible()
  await expect(page.getByText('1 of 5 ports spare: in 34.')).toBeVisible()
  await undo(page, /Undone: A-117 B plugged into amp:p33/)
})

test('why a run is so is said beside it, with a photo', async ({ page }) => {
  await signIn(page, 'planner', '/runs/M-201')
  const why = page.getByRole('region', { name: 'Why M-201' })
  await why.getByRole('button', { name: 'say why' }).click()
  await why.getByRole('textbox').fill('It goes round the hatch.')
  await why.getByRole('button', { name: 'Save' }).click()
  await expect(why).toContainText('It goes round the hatch.')
  await why.getByLabel('add a photo of why').setInputFiles('docs/screenshots/run.png')
  await expect(why.getByRole('img', { name: /^Photo of why M-201/ })).toBeVisible()
  await why.getByRole('button', { name: 'take out the photo of why M-201' }).click()
  await expect(why.getByRole('img')).toHaveCount(0)
  // Whoever makes it reads it, and writes nothing.
  await signIn(page, 'bench', '/runs/M-201')
  await expect(why).toContainText('It goes round the hatch.')
  await expect(why.getByRole('button')).toHaveCount(0)
})
