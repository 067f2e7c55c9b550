import { at, expect, house, test } from './house'
import type { BrowserContext, Page } from '@playwright/test'
import { hands } from './crew'
import { whose } from './device'

/**
 * Three installations that share run codes, three tabs, a phone without a network, and two people who sign in and out:
 * whatever happens in whatever order, each record is where its screen said, by whom its screen said, once. Seeds are
 * drawn here, by a generator of its own; SARTAL_INTERLEAVINGS says how many (200 are said to be enough).
 */
const SEEDS = Number(process.env.SARTAL_INTERLEAVINGS ?? 3)
const FIRST = Number(process.env.SARTAL_FIRST_INTERLEAVING ?? 1)
const STEPS = 9
/** Each tab has a cable of its own in hand: of one cable, two tabs of a device share what was begun. */
const RUNS = ['D-033', 'D-034', 'D-035']
const TESTER = 'Sunniva Pryde'
type Who = 'tester' | 'lead'

/** mulberry32. */
function chance(seed: number) {
  let state = seed * 2654435761
  const next = () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  return {
    whole: (below: number) => Math.floor(next() * below),
    one: <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!,
  }
}

const inHand = new Map<Page, string>()
const signedIn = new Map<BrowserContext, Who>()

/** Somebody signs in on this device; tabs that are open go on as they are. */
async function come(context: BrowserContext, who: Who) {
  const send = async (method: 'delete' | 'post', data: object) => {
    const token = (await context.cookies()).find(cookie => cookie.name === 'XSRF-TOKEN')?.value ?? ''
    const headers = { 'X-XSRF-TOKEN': decodeURIComponent(token), Accept: 'application/json' }
    return await context.request[method]('/api/session', { data, headers })
  }
  const here = async () => {
    const answer = await context.request.get('/api/session')
    return ((await answer.json()) as { person: { signIn: string } | null }).person?.signIn ?? ''
  }
  const name = `${who}@brackwater.example`
  signedIn.set(context, who)
  // What an open tab has asked for just before comes back with the session of before: whoever signs in tries again.
  await expect(async () => {
    if ((await here()) !== '') await send('delete', {})
    await here()
    await send('post', { signIn: name, password: 'brackwater' })
    expect(await here()).toBe(name)
  }).toPass({ timeout: 60_000 })
}
async function open(tab: Page, of: string) {
  await expect(async () => {
    // An answer that was on its way has brought back the session of before: they sign in once more.
    if (tab.url().includes('/sign-in')) await come(tab.context(), signedIn.get(tab.context())!)
    await tab.goto(`/i/${of}/test/${inHand.get(tab)!}`)
    await expect(tab.getByText(/^Probe/).first()).toBeVisible({ timeout: 8000 })
  }).toPass({ timeout: 90_000 })
}

interface Expected {
  note: string
  site: string
  who: string
}
/** A test of the cable on what the tab shows, under a note that is like no other. */
async function record(tab: Page, note: string): Promise<Expected> {
  const site = (await tab.locator('.who .site').innerText()).trim()
  const who = ((await tab.locator('.who span').nth(1).textContent()) ?? '').trim()
  await tab.getByLabel('Note').fill(note)
  const button = tab.getByRole('button', { name: 'Record', exact: true })
  // Line by line until all of it is read: what arrives meanwhile may draw the page anew under a finger.
  await expect(async () => {
    if (await button.isDisabled()) await tab.getByRole('button', { name: 'As expected' }).click({ timeout: 2000 })
    await expect(button).toBeEnabled({ timeout: 50 })
  }).toPass({ intervals: [10], timeout: 30_000 })
  await button.click()
  await expect(tab.getByText(/^(Waits here|Recorded): passes/)).toBeVisible()
  return { note, site, who }
}
test(`${SEEDS} interleavings of three tabs, a phone and two people`, async ({ browser }) => {
  test.setTimeout(60_000 + SEEDS * 60_000)
  const lead = await hands('lead@brackwater.example')
  const sites: Record<string, string> = { 'Brackwater Tide Station': at() }
  for (const [key, name] of [
    ['weir-house', 'Weir house'],
    ['sluice-room', 'Sluice room'],
  ] as const) {
    const made = await lead.post('/api/templates', { data: { name, key, runs: true } })
    expect([201, 422]).toContain(made.status())
    sites[name] = house.address(key)
  }
  const addresses = Object.values(sites)
  const desk = await browser.newContext()
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } })
  await come(desk, 'tester')
  await come(phone, 'tester')
  const tabs = [await desk.newPage(), await desk.newPage(), await desk.newPage()]
  const held = await phone.newPage()
  for (const [i, tab] of [...tabs, held].entries()) {
    inHand.set(tab, RUNS[i % 3]!)
    await open(tab, addresses[i % 3]!)
  }

  for (let seed = FIRST; seed < FIRST + SEEDS; seed++) {
    const dice = chance(seed)
    const expected: Expected[] = []
    let isOffline = false
    for (let step = 0; step < STEPS; step++) {
      const note = `seed ${seed} step ${step} ${crypto.randomUUID().slice(0, 8)}`
      switch (dice.whole(8)) {
        case 0:
          await open(dice.one(tabs), dice.one(addresses))
          break
        case 1: {
          // Somebody else at the desk: one tab is loaded anew, the others stay as they were.
          await come(desk, dice.one(['tester', 'lead']))
          await open(dice.one(tabs), dice.one(addresses))
          break
        }
        case 2:
          await phone.setOffline((isOffline = !isOffline))
          if (!isOffline && dice.whole(2)) await open(held, dice.one(addresses))
          break
        case 3:
        case 4:
          expected.push(await record(held, note))
          break
        case 5: {
          // Two tabs in the same moment.
          const [one, other] = [dice.one(tabs), dice.one(tabs)]
          if (one === other) expected.push(await record(one, note))
          else expected.push(...(await Promise.all([record(one, note), record(other, `${note} too`)])))
          break
        }
        default:
          expected.push(await record(dice.one(tabs), note))
      }
    }
    // Everybody comes by once more, on both devices, with a network.
    await phone.setOffline(false)
    for (const [context, tab] of [
      [desk, tabs[0]!],
      [phone, held],
    ] as const)
      for (const who of ['lead', 'tester'] as const) {
        await come(context, who)
        await open(tab, addresses[0]!)
        await expect
          .poll(async () => (await whose(tab)).filter(name => name.startsWith(TESTER) === (who === 'tester')))
          .toEqual([])
      }
    for (const tab of [...tabs, held]) expect(await whose(tab), `seed ${seed}`).toEqual([])
    for (const [i, tab] of tabs.entries()) await open(tab, addresses[i]!)

    const there: Expected[] = []
    for (const [[site, address], run] of Object.entries(sites).flatMap(of => RUNS.map(run => [of, run] as const))) {
      const answer = await lead.get(`/api/i/${address}/runs/${run}`)
      const { history } = (await answer.json()) as { history: { kind: string; note: string; who: string }[] }
      for (const { note, who } of history.filter(event => event.note?.startsWith(`seed ${seed} `)))
        there.push({ note, site, who })
    }
    const sorted = (all: Expected[]) => [...all].sort((a, b) => a.note.localeCompare(b.note))
    expect(sorted(there), `seed ${seed}`).toEqual(sorted(expected))
  }
  await lead.dispose()
  await desk.close()
  await phone.close()
})
