import { expect, test } from './house'
import { accept, hands, signIn } from './crew'

/** What comes after begins from the same building. */
async function undone() {
  const planner = await hands('planner@brackwater.example')
  const [last] = (await (await planner.get('/api/changes')).json()) as { id: number }[]
  expect((await planner.post(`/api/changes/${last!.id}/undo`)).status()).toBe(201)
}

test('a way is drawn on the map, the runs that would take it are told and take it; undo brings them back', async ({
  page,
}) => {
  await signIn(page, 'planner', '/rules/building')
  await page.getByRole('button', { name: 'Draw a way' }).click()
  await page.getByRole('button', { name: 'Under-stage pit, junction' }).click()
  await expect(page.getByText('Now press the place where it ends.')).toBeVisible()
  await page.getByRole('button', { name: 'Rack room, junction' }).click()
  await page.getByLabel('Name').fill('Crawl duct')
  await page.getByLabel('Length, with its unit').fill('9 m')
  // Before anything is saved it says what it would do.
  await expect(page.getByText('7 runs would go another way')).toBeVisible()
  await expect(page.getByRole('row', { name: /A-116 .*To lectern, Crawl duct, To amplifier rack 1/ })).toBeVisible()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await accept(page)
  await expect(page.getByText('7 runs now go another way')).toBeVisible()
  // What was cut already is longer than needed now, and says so.
  await expect(page.getByText('A-116 cut', { exact: false }).first()).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Crawl duct' })).toBeVisible()
  await page.goto('/runs/A-116')
  await expect(
    page.getByText('Goes by To lectern, Crawl duct, To amplifier rack 1: the shortest permitted way'),
  ).toBeVisible()
  await page.goto('/schedule')
  await page.locator('#row-A-114').click()
  await page.keyboard.press('u')
  await expect(page.getByText(/Undone: Way Crawl duct added/)).toBeVisible()
  await page.goto('/runs/A-116')
  await expect(page.getByText('Goes by To lectern, Under-stage tray, Riser A, Rack void')).toBeVisible()
})

test('an overfull way names the next size, and a bad length is named at its field', async ({ page }) => {
  await signIn(page, 'planner', '/rules/building')
  await page
    .getByRole('row', { name: /Floor duct north/ })
    .getByRole('button')
    .click()
  const side = page.getByRole('complementary', { name: 'Selected' })
  await side.getByRole('button', { name: 'Edit' }).click()
  await page.getByLabel('Inside').fill('20 mm x 25 mm')
  await expect(side.getByText(/Floor duct north is 50.* full with 6 cables/)).toBeVisible()
  await expect(side.getByText(/Take 50 mm × 50 mm instead|Take .* instead/)).toBeVisible()
  await page.getByLabel('Length, with its unit').fill('-3 m')
  await expect(side.getByText(/length "-3 m"/)).toBeVisible()
  await side.getByRole('button', { name: 'Cancel' }).click()
  await expect(side.getByText('13.2 %')).toBeVisible()
})

test('several places are picked and put in a row, one is moved by keys; undo takes it back', async ({ page }) => {
  await signIn(page, 'planner', '/rules/building')
  const place = (name: string) => page.getByRole('button', { name, exact: true })
  const at = async (name: string) => {
    const box = (await place(name).locator('rect').boundingBox())!
    return [Math.round(box.x), Math.round(box.y)] as const
  }
  await place('Lectern, location').click({ modifiers: ['Shift'] })
  await place('Stage box 2, location').click({ modifiers: ['Shift'] })
  await expect(page.getByText('2 picked')).toBeVisible()
  await page.getByRole('button', { name: 'In a row' }).click()
  await expect(page.getByText('Moved on the map. No length follows from it.')).toBeVisible()
  await expect.poll(async () => (await at('Lectern, location'))[1] - (await at('Stage box 2, location'))[1]).toBe(0)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect.poll(async () => (await at('Lectern, location'))[1]).not.toBe((await at('Stage box 2, location'))[1])
  // By the keyboard: Alt and an arrow.
  const before = await at('Foyer, location')
  await place('Foyer, location').focus()
  await page.keyboard.press('Alt+ArrowLeft')
  await expect.poll(async () => (await at('Foyer, location'))[0]).toBeLessThan(before[0])
  // Closer, and all of it again.
  const far = async () => (await at('Foyer, location'))[0] - (await at('Sluice window, location'))[0]
  const whole = await far()
  await page.getByRole('button', { name: 'Closer' }).click()
  await expect.poll(far).toBeGreaterThan(whole)
  await page.getByRole('button', { name: 'All', exact: true }).click()
  await expect.poll(far).toBeLessThan(whole * 1.2)
})

test('a loom takes the runs that lead the same way as it is made', async ({ page }) => {
  await signIn(page, 'planner', '/looms')
  await page.getByRole('button', { name: 'New loom' }).click()
  await page.getByLabel('Name').fill('Hall loom')
  await page.getByLabel('Only runs with').fill('rack front-of-house')
  await page.getByRole('checkbox', { name: 'Amplifier rack 1 → Front-of-house position, all 2' }).check()
  await expect(page.getByRole('group').getByText('Runs that go into it: 2')).toBeVisible()
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page).toHaveURL(/\/looms\/hall-loom$/)
  await expect(page.getByRole('heading', { name: 'Hall loom' })).toBeVisible()
  for (const code of ['A-133', 'A-134']) await expect(page.getByText(code).first()).toBeVisible()
  await undone()
})

test('an installer walks by what nobody has measured, and what is written there is what is cut', async ({ page }) => {
  await signIn(page, 'installer', '/rules/building')
  await page.getByRole('link', { name: /to measure$/ }).click()
  await expect(page.getByRole('heading', { name: 'To measure, in the order of a walk' })).toBeVisible()
  await page.getByLabel('Begin at').selectOption('Lectern')
  const first = page.getByRole('main').getByRole('listitem').first()
  await expect(first).toContainText('Lectern →')
  const name = await first.locator('b').innerText()
  await first.getByRole('textbox', { name: `${name} is` }).fill('7.77 m')
  await first.getByRole('button', { name: 'Save' }).click()
  await accept(page)
  await expect(page.getByText(`${name}: measured.`)).toBeVisible()
  await expect(page.getByRole('main').getByRole('listitem').filter({ hasText: name })).toHaveCount(0)
  await page.getByRole('link', { name: 'Building', exact: true }).first().click()
  const row = page.getByRole('row', { name: new RegExp(`^${name}`) })
  await expect(row).toContainText('7.77 m')
  await expect(row).toContainText('yes')
  await undone()
})

test('a breakout is dragged: legs, cuts, sleeve and reels follow, and the way keeps its length', async ({ page }) => {
  await signIn(page, 'planner', '/looms/L2')
  const trunk = page.getByRole('row', { name: /^Hall ceiling tray/ }).first()
  await expect(trunk).toContainText('18.60 m')
  const sleeve = await trunk.getByRole('cell').nth(5).innerText()
  expect(sleeve).toMatch(/Braided sleeving/)
  const handle = page.getByRole('slider', { name: /Breakout at Hall ceiling, To control desk/ })
  const at = (await handle.boundingBox())!
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2)
  await page.mouse.down()
  await page.mouse.move(at.x + at.width / 2 - 120, at.y + at.height / 2, { steps: 8 })
  await page.mouse.up()
  const ahead = page.getByRole('region', { name: 'What this move does' })
  await expect(ahead.getByText('Moved, not saved.')).toBeVisible()
  // The tray is in two stretches now; the branch lies beside the second.
  await expect(page.getByRole('row', { name: /^Hall ceiling tray/ })).toHaveCount(2)
  await expect(page.getByRole('row', { name: /^↳ Hall ceiling tray/ })).toHaveCount(1)
  await page.getByRole('button', { name: 'Put it back' }).click()
  await expect(page.getByRole('row', { name: /^Hall ceiling tray/ })).toHaveCount(1)

  // Past its junction, by keys: there and back is longer, and the cut list says so.
  await page.goto('/looms/L4')
  await page.getByRole('slider', { name: /Breakout at Gallery end, Barrage conduit/ }).focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(ahead.getByRole('row', { name: /A-119 66\.85 m → 68\.85 m/ })).toBeVisible()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('Saved: the breakout stays where you put it.', { exact: false })).toBeVisible()
  await page.goto('/cutting')
  await expect(page.getByTitle('A-119, 68.85 m')).toBeVisible()
  await page.goto('/rules/building')
  await expect(page.getByRole('row', { name: /Hall ceiling tray/ })).toContainText('18.60 m')
  await page.goto('/looms/L4')
  await page.getByRole('button', { name: 'Edit' }).click()
  await page.getByLabel('A tie at least every').fill('250 mm')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/Undone: Loom L4 gallery changed/)).toBeVisible()
})

test('a segment shows its cross-section, its figures open, and the formboard and offsets come out', async ({
  page,
}) => {
  await signIn(page, 'installer', '/looms/L1')
  await page.getByRole('button', { name: /^Under-stage tray, 6 cables/ }).click()
  const side = page.getByRole('complementary', { name: 'Segment' })
  await expect(side.getByRole('img', { name: 'Cross-section of 6 cables' })).toBeVisible()
  await side.getByText('30.7 mm').click()
  await expect(side.getByText(/6 circles packed, \d+ % of it filled/)).toBeVisible()
  await expect(side.getByText('Braided sleeving 32 mm, cut')).toBeVisible()
  for (const [path, type] of [
    ['formboard.pdf', 'application/pdf'],
    ['offsets.csv', 'text/csv'],
  ] as const) {
    const answer = await page.request.get(`/api/looms/L1/${path}`)
    expect(answer.headers()['content-type']).toContain(type)
  }
  await expect(page.getByRole('button', { name: 'Edit' })).toHaveCount(0)
})

test('a miscut is recorded with its marks, the rest is planned again, and it is said what changed', async ({
  page,
}) => {
  await signIn(page, 'bench', '/cutting')
  await page.getByTitle(/^A-122, /).click()
  const side = page.getByRole('complementary', { name: 'Cut' })
  await expect(side.getByText('Off R-02: from mark 214.0')).toBeVisible()
  await side.getByLabel('Length, with its unit').fill('500 m')
  await side.getByRole('button', { name: 'Record the cut' }).click()
  await expect(side.getByRole('alert').first()).toContainText('R-02 has 214000 mm left')
  // Two metres too short.
  await side.getByLabel('Length, with its unit').fill('35.7 m')
  await side.getByLabel('Last mark, m').fill('178.3')
  await expect(side.getByText('The marks are 35.70 m apart', { exact: false })).toBeVisible()
  await side.getByRole('button', { name: 'Record the cut' }).click()
  await expect(page.getByText('A-122 is recorded. The rest was planned again.')).toBeVisible()
  await expect(page.getByText('The other cuts stay on their reels.')).toBeVisible()
  await expect(page.getByRole('cell', { name: 'too short' })).toBeVisible()
  await expect(page.getByTitle(/^A-122, 37/)).toBeVisible()
  await page.goto('/runs/A-122')
  await expect(page.locator('svg.strand').first()).toHaveAttribute('aria-label', /cut failed/)
  // Cut again, right: done.
  await page.goto('/cutting')
  await page.getByTitle(/^A-122, /).click()
  await side.getByRole('button', { name: 'Record the cut' }).click()
  await expect(page.getByText('A-122 is recorded. The rest was planned again.')).toBeVisible()
  await page.goto('/runs/A-122')
  await expect(page.locator('svg.strand').first()).toHaveAttribute('aria-label', /cut done/)
})

test('reels are entered, parts are counted for an order, and prices make a saving', async ({ page }) => {
  await signIn(page, 'lead', '/cutting')
  await page.getByRole('button', { name: 'Add a reel' }).click()
  await page.getByLabel('What stands on it').fill('R-77')
  await page.getByRole('combobox', { name: 'Cable' }).fill('Star-quad')
  await page.getByRole('option', { name: 'Star-quad', exact: true }).click()
  await page.getByLabel('Length when it came, with its unit').fill('100 m')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('R-77').first()).toBeVisible()

  await page.goto('/parts?scope=loom:L1')
  await expect(page.getByRole('row', { name: /Crimp contact, male, fine/ })).toContainText('72 pcs')
  await page
    .getByRole('row', { name: /Braided sleeving 32 mm/ })
    .getByText(/ m$/)
    .first()
    .click()
  await expect(page.getByText('L1 under-stage, over Under-stage tray')).toBeVisible()
  await page.getByLabel('only what is still to be made').check()
  await expect(page.getByRole('row', { name: /24-pair multicore/ })).toHaveCount(0)

  await page.goto('/parts/worth')
  await page.getByLabel('price of A-116 ready made').fill('50')
  await page.getByRole('button', { name: 'Save the prices' }).click()
  await expect(page.getByRole('row', { name: /A-116/ }).getByText(/\d+ %/)).toBeVisible()
})

test('on a phone the cut list is read without a sideways scroll', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'bench', '/cutting')
  await expect(page.getByText('Star-quad').first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)).toBe(false)
})

test('what a circuit is asked for is typed in, and its reach follows', async ({ page }) => {
  await signIn(page, 'planner', '/runs/V-405')
  const reach = page.getByRole('row', { name: /V-405 Serial digital video/ }).first()
  await expect(reach).toContainText('20 dB')
  await page.getByRole('button', { name: 'Edit circuit V-405' }).click()
  // The dialog moves while it opens, and takes the list with it.
  await page.waitForTimeout(600)
  await page.getByRole('combobox', { name: 'How fast' }).click({ force: true })
  await page.getByRole('option', { name: '12G' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(reach).toContainText('40 dB')
  await reach.getByText('40 dB', { exact: true }).first().click()
  await expect(page.getByText('12G at half its clock, 5940 MHz')).toBeVisible()
  await page.getByRole('link', { name: 'Pick list' }).click()
  await expect(page.getByRole('row', { name: /BNC plug/ })).toContainText('2 pcs')
})
