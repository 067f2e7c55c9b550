import AxeBuilder from '@axe-core/playwright'
import { expect, test } from './house'
import { kicker, settled, untilLook, words } from './bench'
import { choose, hands, signIn } from './crew'

interface Line {
  cable: string
  signals: string
  plans_a: string
  plans_b: string
}

/** A run that a planner added, by its id. */
async function added(code: string, line: Line, build = 'shop') {
  const planner = await hands('planner@brackwater.example')
  const place = { from: 'comms-rack', to: 'foyer', tail_a: '1', tail_b: '1' }
  const answer = await planner.post('/api/runs', { data: { line: { code, build, ...place, ...line } } })
  expect(answer.ok(), await answer.text()).toBe(true)
  const { id } = (await answer.json()) as { id: string }
  await planner.dispose()
  return id
}

test('a cable that was there is taken in as it is seen, looked over on a phone and mended', async ({
  page,
  browser,
}) => {
  await signIn(page, 'planner')
  await page.getByRole('button', { name: 'Add run' }).click()
  await page.getByLabel('Code', { exact: true }).fill('A-950')
  await choose(page, 'Cable', 'foil and drain', /Screened pair, foil and drain/)
  await choose(page, 'Signal', 'analogue', /analogue/i)
  await choose(page, 'From', 'Foyer', 'Foyer')
  await choose(page, 'To', 'Amplifier rack 1', /Amplifier rack 1/)
  await choose(page, 'Connector A', 'female, cable', /3-pole circular audio, female, cable/)
  await choose(page, 'Connector B', 'male, cable', /3-pole circular audio, male, cable/)
  await page.getByLabel('Made').click({ force: true })
  await page.getByRole('option', { name: 'found' }).click()
  await page.getByLabel(/As it is seen/).fill('black jacket, old label 14, worn at end B')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  // Its code stands in the form before it is saved.
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeHidden()
  await expect(page.getByRole('link', { name: 'A-950' }).or(page.getByText('A-950')).first()).toBeVisible()
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await signIn(phone, 'bench', '/bench/A-950')
  await expect(phone.locator('.huge')).toContainText('Open it, as far as it opens, and look it over')
  const found = await new AxeBuilder({ page: phone }).include('main').analyze()
  const grave = found.violations.filter(each => each.impact === 'serious' || each.impact === 'critical')
  expect(grave.map(each => each.id)).toEqual([])
  let was = (await kicker(phone)) + (await words(phone))
  await phone.getByRole('button', { name: 'All of it is good' }).click()
  await settled(phone, was)
  // The other end has a joint that moves: from there it is mended as such an end is made.
  while (!(await kicker(phone)).includes('end B') || !(await phone.locator('.look').count())) {
    was = (await kicker(phone)) + (await words(phone))
    await phone.locator('footer .do').click()
    await settled(phone, was)
  }
  await phone.getByLabel(/^Dry joint/).check()
  await phone.getByRole('button', { name: 'What does that take?' }).click()
  await expect(phone.getByText(/operations are open again/)).toBeVisible()
  was = (await kicker(phone)) + (await words(phone))
  await phone.getByRole('button', { name: 'Send it back' }).click()
  await settled(phone, was)
  await expect(phone.locator('.huge')).toContainText('Solder into the cup')
  expect(await phone.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)).toBe(false)
  await phone.context().close()
})

test('a jack whose cores lie in the wrong order is opened again, laid in and pressed', async ({ page }) => {
  const plans = { plans_a: '8p8c-jack-t568b', plans_b: '8p8c-port-patch-t568b' }
  const id = await added('C-951', { cable: 'cat6-utp', signals: 'network', ...plans })
  await signIn(page, 'bench', `/bench/${id}`)
  const seen = await untilLook(page)
  expect(seen.filter(each => each.startsWith('Lay it into its slot'))).toHaveLength(8)
  await page.getByLabel(/^Order/).check()
  await page.getByRole('button', { name: 'What does that take?' }).click()
  await expect(page.getByText(/open again/)).toBeVisible()
  const was = (await kicker(page)) + (await words(page))
  await page.getByRole('button', { name: 'Send it back' }).click()
  await settled(page, was)
  await expect(page.locator('.huge')).toContainText('Lay it into its slot')
  const again = await untilLook(page)
  expect(again.filter(each => each.startsWith('Lay it into its slot'))).toHaveLength(8)
  expect(again.filter(each => each.startsWith('Press 8 cores in'))).toHaveLength(1)
  expect(again.filter(each => each.startsWith('Take off'))).toEqual([])
  await page.getByRole('button', { name: 'All of it is good' }).click()
  await expect(page.locator('.look')).toBeHidden()
})

test('a plug that mutes is tested as it rests and as it is pressed', async ({ page }) => {
  const plans = { plans_a: 'ts-plug-mute-unbalanced', plans_b: 'ts-plug-chuck-unbalanced' }
  const id = await added('I-952', { cable: 'instrument', signals: 'unbalanced', ...plans })
  await signIn(page, 'tester', `/test/${id}`)
  await choose(page, 'Instrument', 'Loom tester 2', /Loom tester 2/)
  await page.getByRole('button', { name: 'All it can' }).click()
  await page.getByRole('button', { name: /^Switches/ }).click()
  await expect(page.getByText(/mute/i).first()).toBeVisible()
  await expect(page.getByText('Passes', { exact: true })).toBeVisible()
})

test('a row of a split panel is fixed, filled, jumpered and joined as one piece of work', async ({ page }) => {
  await signIn(page, 'bench', '/bench/M-204')
  await expect(page.locator('.huge').first()).toBeVisible()
  await page.keyboard.press('l')
  const steps = page.getByRole('dialog').getByRole('listitem')
  // The connectors of the tails, and those that only take a jumper.
  await expect(steps.filter({ hasText: 'Fix it in its panel' })).toHaveCount(2)
  const words = await steps.allInnerTexts()
  const at = (text: string) => words.findIndex(each => each.includes(text))
  expect(at('Fix it in its panel')).toBeGreaterThan(at('Tin the drain'))
  expect(at('Fill terminals')).toBeGreaterThan(
    words.map(each => each.includes('Fix it in its panel')).lastIndexOf(true),
  )
  expect(at('Join the jumper')).toBeGreaterThan(at('Fill terminals'))
  expect(at('Solder into the cup')).toBeGreaterThan(at('Join the jumper'))
  expect(at('Look it over')).toBeGreaterThan(at('Solder into the cup'))
  await expect(steps.filter({ hasText: 'Fix it in its panel' })).toHaveText([/0\/8/, /0\/8/])
  await steps.filter({ hasText: 'Join the jumper' }).getByRole('button').first().click()
  await expect(page.locator('.huge')).toContainText('Join the jumper')
  await expect(page.getByText(/Its other end stays loose/)).toBeVisible()
})
