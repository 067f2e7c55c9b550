import { expect, test, type Browser, type Page } from './house'
import { hands, signIn } from './crew'

/** A family of ends that a procedure makes: how to come by a cable of it, and what has to be seen in its making. */
interface Family {
  name: string
  who: string
  make: { duplicate: string } | { cable: string; signals: string; a: string; b: string }
  look: (seen: string[]) => void
  before?: (page: Page, id: string) => Promise<void>
}

const count = (seen: string[], words: string) => seen.filter(each => each.startsWith(words)).length
const at = (seen: string[], words: string) => seen.findIndex(each => each.startsWith(words))

/** One end after the other as hands make it: whatever comes next is done, every picture is there. */
export async function made(page: Page, press: () => Promise<void>) {
  const seen: string[] = []
  for (let n = 0; n < 140; n++) {
    await expect(page.locator('.huge, .rest h2').first()).toBeVisible()
    if (await page.getByText('The bench is done with it.').isVisible()) break
    const words = await page.locator('.huge').first().innerText()
    seen.push(words)
    const kicker = await page.locator('.kicker').innerText()
    const picture = page.locator('img.strip')
    if (await picture.count())
      await expect
        .poll(() => picture.first().evaluate((image: HTMLImageElement) => image.complete && image.naturalWidth), {
          message: `the picture of “${words}”`,
        })
        .toBeGreaterThan(0)
    if (await page.locator('.gate').count()) {
      const whole = page.getByRole('button', { name: 'All of it is on' })
      await expect(whole).toBeDisabled()
      for (const part of await page.locator('.gate input').all()) await part.check()
      await whole.click()
    } else if (await page.locator('.look').count()) {
      // A verdict is a press of its own.
      await page.keyboard.press('Space')
      await expect(page.locator('.kicker')).toHaveText(kicker, { useInnerText: true })
      await page.getByRole('button', { name: 'All of it is good' }).click()
    } else {
      // What is hot takes a press of its own: it has cooled.
      if (await page.getByText(/Let it cool/).isVisible()) {
        await press()
        await expect(page.getByText(/Let it cool/)).toBeHidden()
      }
      await press()
    }
    await expect
      .poll(async () => (await page.locator('.kicker').innerText()) + (await page.locator('.huge').first().innerText()))
      .not.toBe(kicker + words)
    await expect(page.locator('footer')).not.toContainText('saving')
  }
  await expect(page.getByText('The bench is done with it.')).toBeVisible()
  return seen
}

/** How far a leg reaches is measured on the loudspeaker before it is cut. */
async function measured(page: Page, id: string) {
  await page.goto(`/runs/${id}/sheet/B`)
  await page.getByRole('tab', { name: 'B 2' }).click()
  await page.getByLabel('Measured on the equipment before it is cut').check()
  await page.getByLabel('It reaches').fill('315 mm')
  await page.getByRole('button', { name: 'keep what was measured' }).click()
  await expect(page.getByText('315 mm was measured')).toBeVisible()
}

const FAMILIES: Family[] = [
  {
    name: 'three cups',
    who: 'bench',
    make: { duplicate: 'A-121' },
    look: seen => {
      expect(at(seen, 'Take off the sheath')).toBeGreaterThan(at(seen, 'Slide on shell'))
      expect(at(seen, 'See that everything lies')).toBeLessThan(at(seen, 'Tin 2 cores'))
      expect(at(seen, 'Solder into the cup')).toBeGreaterThan(at(seen, 'Fill terminals'))
    },
  },
  {
    name: 'three cups with star-quad',
    who: 'bench',
    make: { cable: 'star-quad', signals: 'analogue', a: 'xlr3-female-cable-balanced', b: 'xlr3-male-cable-balanced' },
    look: seen => {
      expect(at(seen, 'Twist 4 cores')).toBeGreaterThan(-1)
      expect(count(seen, 'Solder into the cup')).toBe(6)
    },
  },
  {
    name: 'a quarter-inch plug of three contacts',
    who: 'bench',
    make: { cable: 'pair-lapped', signals: 'analogue', a: 'trs-balanced', b: 'trs-balanced' },
    look: seen => expect(at(seen, 'Close the flap')).toBeGreaterThan(-1),
  },
  {
    name: 'a category plug',
    who: 'bench',
    make: { duplicate: 'C-442' },
    look: seen => {
      expect(count(seen, 'Lay 8 cores side by side')).toBe(2)
      expect(count(seen, 'Press all 8 in')).toBe(2)
    },
  },
  {
    name: 'a screened category plug and jack',
    who: 'lead',
    make: {
      ...{ cable: 'cat6-futp', signals: 'network' },
      ...{ a: '8p8c-plug-screened-t568b', b: '8p8c-jack-screened-t568b' },
    },
    look: seen => {
      expect(count(seen, 'Press all 9 in')).toBe(1)
      expect(count(seen, 'Lay it into its slot')).toBe(8)
      expect(count(seen, 'Press 8 cores in')).toBe(1)
      expect(count(seen, 'Hold it down with the tie')).toBe(1)
    },
  },
  {
    name: 'two sheaths in one jack',
    who: 'lead',
    make: {
      ...{ cable: 'cat6a-two-sheath', signals: 'network' },
      ...{ a: '8p8c-jack-screened-t568b', b: '8p8c-jack-screened-t568b' },
    },
    look: seen => expect(count(seen, 'Cut the end off')).toBe(2),
  },
  {
    name: 'a rectangular connector with its blocks',
    who: 'lead',
    make: { cable: 'multicore-4', signals: 'analogue', a: '', b: 'rect56-male-16ch' },
    look: seen => {
      // Twelve are crimped before any goes in: block by block, channel by channel.
      expect(count(seen, 'Channel '), seen.join(' | ')).toBe(24)
      expect(at(seen, 'See that everything lies')).toBeLessThan(at(seen, 'Channel 1'))
      expect(at(seen, 'Cut 8 cores and 4 drains')).toBeLessThan(at(seen, 'See that everything lies'))
    },
  },
  {
    name: 'a coax plug that is crimped',
    who: 'bench',
    make: { duplicate: 'V-404' },
    look: seen => {
      expect(count(seen, 'Crimp the pin')).toBe(2)
      expect(count(seen, 'Crimp the ferrule')).toBe(4)
    },
  },
  {
    name: 'a coax plug with spring fingers',
    who: 'lead',
    make: { cable: 'coax-50-lowloss', signals: 'radio', a: 'n-plug-radio', b: 'n-plug-radio' },
    look: seen => {
      expect(count(seen, 'Crimp the pin')).toBe(0)
      expect(count(seen, 'Push the body on')).toBe(2)
    },
  },
  {
    name: 'a coaxial contact of a block, and a plug that holds the centre itself',
    who: 'lead',
    make: {
      ...{ cable: 'coax-75-standard', signals: 'video' },
      ...{ a: 'modular-frame-4-video', b: 'bnc75-plug-captive-video' },
    },
    look: seen => {
      expect(count(seen, 'Crimp the pin')).toBe(1)
      expect(at(seen, 'Push the body on')).toBeGreaterThan(-1)
      expect(seen.some(each => each.includes('into its insert'))).toBe(true)
    },
  },
  {
    name: 'a miniature straight plug, and one with a chuck',
    who: 'bench',
    make: {
      ...{ cable: 'instrument-thin', signals: 'unbalanced' },
      ...{ a: 'ts-plug-mini-unbalanced', b: 'ts-plug-chuck-unbalanced' },
    },
    look: seen => {
      expect(count(seen, 'Solder')).toBe(4)
      expect(count(seen, 'Close the connector')).toBe(2)
    },
  },
  {
    name: 'mains and signal in one sheath',
    who: 'lead',
    make: { duplicate: 'P-007' },
    before: measured,
    look: seen => {
      expect(count(seen, 'Clamp under the screw')).toBe(6)
      expect(count(seen, 'Measure on the equipment')).toBe(1)
      // Opened once at each end, sleeved from the first; what lies on it is seen to before the heat.
      expect(count(seen, 'Slide on two-tail boot')).toBe(2)
      expect(count(seen, 'Slide on braided sleeving 12 mm')).toBe(1)
      expect(at(seen, 'Slide on two-tail boot')).toBeLessThan(at(seen, 'See that everything lies'))
      expect(at(seen, 'See that everything lies')).toBeLessThan(at(seen, 'Shrink the short lined piece'))
    },
  },
]

/** Each family whole, from the cut to the end: with the space bar, or by touch. */
export function families(name: string, width: number, height: number, key: 'Space' | null) {
  for (const [n, family] of FAMILIES.entries()) {
    test(`${family.name}: made step by step ${name}`, async ({ browser }) => {
      test.setTimeout(300_000)
      const planner = await hands('planner@brackwater.example')
      const code = `${key === null ? 'Y' : 'Z'}-${700 + n}`
      const from = family.make
      const answer =
        'duplicate' in from
          ? await planner.post(`/api/runs/${from.duplicate}/duplicate`, { data: { code } })
          : await planner.post('/api/runs', {
              data: {
                line: {
                  ...{ code, cable: from.cable, signals: from.signals, build: 'shop', from: 'comms-rack', to: 'foyer' },
                  ...{ plans_a: from.a, plans_b: from.b, tail_a: '1', tail_b: '1' },
                },
              },
            })
      expect(answer.ok(), await answer.text()).toBe(true)
      const list = (await (await planner.get('/api/schedule')).json()) as { rows: { id: string; code: string }[] }
      const id = list.rows.find(row => row.code === code)!.id
      const page = await opened(browser, family.who, width, height)
      await family.before?.(page, id)
      await page.goto(`/bench/${id}`)
      const seen = await made(page, () => (key ? page.keyboard.press(key) : page.locator('footer .do').click()))
      family.look(seen)
      expect(await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)).toBe(false)
      await Promise.all([planner.dispose(), page.context().close()])
    })
  }
}

async function opened(browser: Browser, role: string, width: number, height: number): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width, height } })).newPage()
  await signIn(page, role)
  return page
}
