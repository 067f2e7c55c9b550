import { expect, test, type Page } from './house'
import { choose, go, signIn } from './crew'
import { seconds, watchHands } from './hands'

type Core = { path: string; to: string[] }
type Shown = {
  runs: { id: string; code: string; ends: { side: string; elements: { cores: Core[] }[] }[] }[]
  fittings: { id: string; label: string }[]
  jumpers: { from: string; to: string }[]
  switches: { name: string; from: string; to: string }[]
}
const NONE_TAKES = 180

/** The netlist as the page has it: "M-301 A p1/a" → "Split in 1/2". */
async function netlist(page: Page, run: string) {
  const address = new URL(page.url()).pathname.split('/')[2]
  const shown = (await (await page.request.get(`/api/i/${address}/assemblies/${run}`)).json()) as Shown
  const label = (at: string) => {
    const [id, contact] = [at.slice(0, at.indexOf('/')), at.slice(at.indexOf('/') + 1)]
    return `${shown.fittings.find(each => each.id === id)?.label ?? id}/${contact}`
  }
  const list: Record<string, string> = {}
  for (const of of shown.runs)
    for (const end of of.ends)
      for (const element of end.elements)
        for (const core of element.cores) list[`${of.code} ${end.side} ${core.path}`] = core.to.map(label).join(' ')
  return { list, shown, label }
}
async function pattern(page: Page, name: RegExp, fill: () => Promise<void>) {
  await go(page, '/patterns')
  await page.getByRole('button', { name }).click()
  await fill()
  await expect(page.getByText('Shown once everything needed is said.')).toBeHidden()
  await page.getByRole('button', { name: 'Make it' }).click()
}
const hand = (page: Page) => page.getByRole('complementary', { name: 'In hand' })
const elements = (page: Page) => page.getByRole('region', { name: 'End in hand' }).getByRole('table')
async function end(page: Page, name: RegExp) {
  await page.getByRole('navigation', { name: 'Ends' }).getByRole('button', { name }).click()
}

test('a split panel of 24 with four lifts is made from a pattern, and is wired as such a panel is', async ({
  page,
}) => {
  const hands = await watchHands(page)
  await signIn(page, 'planner')
  await pattern(page, /^Split panel/, async () => {
    await page.getByLabel('First code of the tails').fill('M-301')
    await choose(page, 'Where the panel is', 'Split', 'Split panel')
    await choose(page, 'Where the tails go', 'Amplifier rack 1', 'Amplifier rack 1')
    await page.getByLabel('Which outputs get a ground lift').fill('1-4')
    await expect(page.getByText(/68 jumpers, 4 switches/)).toBeVisible()
    await expect(page.getByRole('complementary').getByText('M-303').first()).toBeVisible()
  })
  await expect(page.getByRole('heading', { name: 'Assembly M-301' })).toBeVisible()
  for (const [tail, first] of [
    ['M-301', 1],
    ['M-302', 9],
    ['M-303', 17],
  ] as const) {
    const { list, shown, label } = await netlist(page, tail)
    const expected: Record<string, string> = {}
    for (let n = 0; n < 8; n++)
      for (const [core, contact] of [
        ['a', 2],
        ['b', 3],
        ['drain', 1],
      ] as const) {
        expected[`${tail} A p${n + 1}/${core}`] = `Split in ${first + n}/${contact}`
        expected[`${tail} B p${n + 1}/${core}`] = `${tail} B ${n + 1}/${contact}`
      }
    expect(list).toEqual(expected)
    const lifts = first === 1 ? 4 : 0
    expect(shown.switches.map(each => `${label(each.from)} ${label(each.to)}`)).toEqual(
      [1, 2, 3, 4].slice(0, lifts).map(n => `Split in ${n}/1 Split out ${n}/1`),
    )
    expect(shown.jumpers).toHaveLength(lifts * 2 + (8 - lifts) * 3)
  }
  const done = await hands()
  expect(seconds(done)).toBeLessThan(NONE_TAKES)
  console.log(`hands, split panel: ${done.keys} keys, ${done.presses} presses, ${Math.round(seconds(done))} s`)
  // Taken back as one.
  await page.goto('/schedule')
  await expect(page.locator('.rows .row').first()).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByText(/Undone: M-301 to M-303 added from a pattern/)).toBeVisible()
})

test('six multicores come to one 90-way by a pasted table, and one is pressed there face to face', async ({ page }) => {
  const hands = await watchHands(page)
  await signIn(page, 'planner')
  await pattern(page, /^Fan-out/, async () => {
    await page.getByLabel('First code').fill('M-311')
    await choose(page, 'Where the tails are', 'Stage box 1', 'Stage box 1')
    await choose(page, 'Where the other end is', 'Amplifier rack 1', 'Amplifier rack 1')
    await choose(page, 'Cable', '4-pair', /^4-pair multicore/)
    await expect(page.getByRole('complementary').getByText('M-316').first()).toBeVisible()
  })
  await expect(page.getByRole('heading', { name: 'Assembly M-311' })).toBeVisible()
  const table = [2, 3, 4, 5, 6].map(n => `M-31${n} B: 1-4\tM-311 B: ${n * 4 - 3}-${n * 4}`).join('\n')
  // A line that is wrong is named before anything is done, and stays to be mended.
  const field = page.getByLabel('What goes where')
  await field.fill(table.replace('M-316 B: 1-4', 'M-316 B: 1-5'))
  await expect(hand(page).getByRole('alert')).toContainText('Line 5: Nothing in 4-pair multicore is called "5"')
  await field.fill(table)
  await expect(hand(page).getByText('M-316 B pair 4')).toBeHidden()
  await expect(hand(page).getByText('M-316 B', { exact: false })).toHaveCount(0)
  await expect(hand(page).getByText('and 12 more')).toBeVisible()
  await page.getByRole('button', { name: 'Join', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Assembly M-311 and 5 more' })).toBeVisible()
  const { list, shown } = await netlist(page, 'M-311')
  expect(shown.fittings.filter(each => / B$/.test(each.label)).map(each => each.label)).toEqual(['M-311 B'])
  for (let n = 1; n <= 6; n++)
    for (let pair = 1; pair <= 4; pair++) {
      const channel = (n - 1) * 4 + pair
      const first = ((channel - 1) % 6) * 3
      const column = 'ABCD'[Math.floor((channel - 1) / 6)]!
      ;['a', 'b', 'drain'].forEach((core, i) =>
        expect(list[`M-31${n} B p${pair}/${core}`]).toBe(`M-311 B/${column}${first + i + 1}`),
      )
    }
  const done = await hands()
  console.log(`hands, six multicores: ${done.keys} keys, ${done.presses} presses, ${Math.round(seconds(done))} s`)
  expect(seconds(done)).toBeLessThan(NONE_TAKES)

  // Face to face: two pairs to free contacts, from the one that is pressed.
  await end(page, /M-316 B/)
  await elements(page).getByRole('checkbox', { name: 'pair 3', exact: true }).click()
  await elements(page)
    .getByRole('checkbox', { name: 'pair 4', exact: true })
    .click({ modifiers: ['Shift'] })
  await page.getByRole('button', { name: 'contact E1', exact: true }).click()
  await expect(field).toHaveValue('3-4 > E1-')
  await expect(hand(page).getByText('M-311 B E1 E2 E3')).toBeVisible()
  await field.press('Enter')
  await expect.poll(async () => (await netlist(page, 'M-311')).list['M-316 B p4/drain']).toBe('M-311 B/E6')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(hand(page).getByRole('status')).toContainText('Undone')
  expect((await netlist(page, 'M-311')).list).toEqual(list)
})

test('cores are left, spliced, shared and switched where they are, and what cannot be is refused there', async ({
  page,
}) => {
  await signIn(page, 'planner', '/runs/M-201/assembly')
  await end(page, /M-201 B/)
  const core = (name: RegExp) => elements(page).getByRole('button', { name })
  await core(/^pair 1 drain/).click()
  await page.getByRole('button', { name: 'screen open here' }).click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'Make the change' }).click()
  await expect(elements(page).getByText('screen open here')).toBeVisible()
  await core(/^pair 1 drain/).click()
  await page.getByRole('button', { name: 'As the plan has it' }).click()
  await expect(elements(page).getByText('screen open here')).toBeHidden()
  // Hot and cold in one splice would be a short.
  await core(/^pair 1 red/).click()
  await core(/^pair 1 black/).click()
  await page.getByRole('button', { name: 'Splice' }).click()
  await expect(hand(page).getByRole('alert')).toContainText('are led together')
  await page.getByRole('button', { name: 'put down' }).click()
  // A contact for two is declared where it is made.
  await page.getByRole('button', { name: 'contact A3', exact: true }).click()
  await expect(hand(page)).toContainText('M-201 pair 1 drain screen')
  await page.getByRole('button', { name: 'Meant for several wires' }).click()
  await expect(page.getByText('Meant for several wires: A3')).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByText('Meant for several wires: A3')).toBeHidden()
})

test('a dozen patch leads and unequal legs are entered in the form', async ({ page }) => {
  const hands = await watchHands(page)
  await signIn(page, 'planner')
  await page.keyboard.press('n')
  await page.getByLabel('Code').fill('PL-101')
  await page.getByRole('combobox', { name: 'Made' }).click({ force: true })
  await page.getByRole('option', { name: 'a loose lead' }).click()
  await choose(page, 'Cable', 'lapped', /lapped/)
  await choose(page, 'Signal', 'analogue', /Balanced analogue/)
  await choose(page, 'Belongs in', 'Amplifier rack 1', 'Amplifier rack 1')
  await page.getByLabel('Length of the lead').fill('8 in')
  await choose(page, 'Connector A', 'phone', /three-contact|TRS|¼-inch/)
  await choose(page, 'Connector B', 'phone', /three-contact|TRS|¼-inch/)
  await page.getByLabel('How many alike').fill('12')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('PL-101 is saved.')).toBeVisible()
  await page
    .getByPlaceholder(/filter/i)
    .first()
    .fill('PL-1')
  await expect(page.locator('.rows')).toContainText('PL-112')
  const done = await hands()
  console.log(`hands, patch leads: ${done.keys} keys, ${done.presses} presses, ${Math.round(seconds(done))} s`)
  expect(seconds(done)).toBeLessThan(NONE_TAKES)
})

test('a block takes video, audio and network from three cables', async ({ page }) => {
  const hands = await watchHands(page)
  await signIn(page, 'planner')
  await pattern(page, /^Insert block/, async () => {
    await page.getByLabel('First code').fill('B-701')
    await choose(page, 'Where the block is', 'Front', /Front-of-house/)
    await choose(page, 'Where its cables go', 'Media', 'Media rack')
    await expect(page.getByRole('complementary').getByText('B-703').first()).toBeVisible()
  })
  await expect(page.getByRole('heading', { name: /Assembly B-701/ })).toBeVisible()
  const { list, shown } = await netlist(page, 'B-701')
  expect(shown.fittings.filter(each => each.label === 'Block')).toHaveLength(1)
  // Each by the printed plan of its insert: coax a and b in bay 1, two pairs in bay 2, a plug in bay 3.
  expect(list['B-701 B x1/centre']).toBe('Block/1/a.centre')
  expect(list['B-701 B x2/braid']).toBe('Block/1/b.screen')
  expect([list['B-702 B p1/a'], list['B-702 B p1/b'], list['B-702 B p2/a']]).toEqual([
    'Block/2/1',
    'Block/2/2',
    'Block/2/4',
  ])
  expect(list['B-703 B p1/a']).toBe('Block/3/p/5')
  const block = await hands()
  console.log(`hands, block: ${block.keys} keys, ${block.presses} presses, ${Math.round(seconds(block))} s`)
  expect(seconds(block)).toBeLessThan(NONE_TAKES)
})

test('a composite with legs of 300 and 375 mm has its drain with earth at both ends', async ({ page }) => {
  const hands = await watchHands(page)
  await signIn(page, 'planner')
  await page.keyboard.press('n')
  await page.getByLabel('Code').fill('P-701')
  await choose(page, 'Cable', 'screened mains', 'Mains and signal composite, screened mains')
  /** Several in one field: the list stays open between them. */
  const several = async (label: string, ...wanted: [string, RegExp][]) => {
    const field = page.getByRole('combobox', { name: label, exact: true })
    await field.click()
    for (const [typed, option] of wanted) {
      await field.fill(typed)
      await page.getByRole('option', { name: option }).first().click()
    }
    await page.keyboard.press('Tab')
  }
  await several('Signal', ['mains', /ains/], ['Balanced', /Balanced analogue/])
  await choose(page, 'From', 'Amplifier rack 1', 'Amplifier rack 1')
  await choose(page, 'To', 'Hall loudspeaker left', 'Hall loudspeaker left')
  await several(
    'Connector A',
    ['earth for two', /power out, cable, earth for two/],
    ['circular audio, female, cable', /3-pole circular audio, female, cable/],
  )
  await several(
    'Connector B',
    ['earth for two', /power in, cable, earth for two/],
    ['circular audio, male, cable', /3-pole circular audio, male, cable/],
  )
  await page.getByLabel('Legs A, m; unequal: 0.3 | 0.375').fill('0.3 | 0.375')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('P-701 is saved.')).toBeVisible()
  await go(page, '/runs/P-701/assembly')
  const drain = page.getByRole('region', { name: 'Drain of the mains' })
  await expect(drain).toContainText('It is joined at neither end.')
  await expect(drain).toContainText('Local code')
  await drain.getByRole('button', { name: 'With earth, at both ends' }).click()
  await expect(drain).toContainText('It is joined at both ends.')
  const done = await hands()
  console.log(`hands, composite: ${done.keys} keys, ${done.presses} presses, ${Math.round(seconds(done))} s`)
  expect(seconds(done)).toBeLessThan(NONE_TAKES)
  await expect(elements(page).getByText('0.375 m')).toBeVisible()
  const { list } = await netlist(page, 'P-701')
  for (const side of ['A', 'B']) expect(list[`P-701 ${side} mains/drain`]).toMatch(new RegExp(`^P-701 ${side} 1/PE`))
  // With ordinary connectors nobody has stated it, and both ends say so.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(drain).toContainText('It is joined at neither end.')
})

test('on a phone the assembly is read and joined by touch', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'planner', '/runs/M-203/assembly')
  await expect(page.getByRole('heading', { name: 'Assembly M-203' })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await end(page, /M-203 B/)
  const box = elements(page).getByRole('checkbox', { name: 'pair 8', exact: true })
  await box.click()
  const spare = page.getByRole('button', { name: 'spare, parked' })
  expect((await spare.boundingBox())!.height).toBeGreaterThanOrEqual(48)
  await expect(hand(page)).toContainText('pair 8 of M-203 end B')
})
