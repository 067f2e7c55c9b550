import { expect, test, type APIRequestContext, type Browser, type Page } from './house'
import { accept, hands, newcomer, signIn } from './crew'

interface Piece {
  id: string
  run: string
}
interface Step {
  task: string
  event: string
  side: string | null
  pieces: Piece[]
}

const steps = async (who: APIRequestContext, job: string) =>
  (await (await who.get(`/api/bench/${job}`)).json()).job.steps as Step[]
const confirm = (who: APIRequestContext, job: string, step: Step, piece: Piece) =>
  who.post(`/api/bench/${job}/events`, {
    data: {
      id: crypto.randomUUID(),
      kind: step.event,
      run: piece.run,
      step: piece.id,
      at: new Date().toISOString(),
      took: 9,
    },
  })

async function second(browser: Browser, role: string, width: number, height: number): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width, height } })).newPage()
  await signIn(page, role)
  return page
}
const counted = (page: Page, text: string) => expect(page.locator('.kicker')).toContainText(text)

test('a whole 90-way end is loaded by keyboard alone, and a second person goes on at the same contact', async ({
  page,
  browser,
}) => {
  // A fresh multicore, prepared as far as its contacts.
  const planner = await hands('planner@brackwater.example')
  const copy = (await (await planner.post('/api/runs/M-201/duplicate', { data: { code: 'M-290' } })).json()) as {
    id: string
  }
  const bench = await hands('bench@brackwater.example')
  for (const step of (await steps(bench, copy.id)).filter(each => each.side === 'B' || each.side === null)) {
    if (step.task === 'join' || step.task === 'test') break
    for (const piece of step.pieces) expect((await confirm(bench, copy.id, step, piece)).status()).toBe(201)
  }
  await signIn(page, 'bench', `/bench/${copy.id}`)
  for (let n = 1; n <= 40; n++) {
    await counted(page, `${n} of 72`)
    await page.keyboard.press('Space')
  }
  await counted(page, '41 of 72')
  const contact = await page.locator('.big .to').first().innerText()
  await expect(page.locator('footer')).not.toContainText('saving')
  await page.goto('/bench')
  // While somebody stands there, the next one is led past them.
  await expect
    .poll(async () => ((await (await bench.get('/api/present')).json()) as { people: unknown[] }).people.length, {
      timeout: 40_000,
    })
    .toBe(0)

  const other = await second(browser, 'bench2', 820, 1180)
  await other.goto(`/bench/${copy.id}`)
  await expect(other.locator('.big .to').first()).toHaveText(contact)
  await expect(other.getByText(/^Last: insert the contact into .* · Tove Castellan,/)).toBeVisible()
  await other.keyboard.press('Backspace')
  await counted(other, '40 of 72')
  await expect(other.getByText(/^Last: /)).toBeHidden()
  await other.keyboard.press('Enter')
  for (let n = 41; n <= 72; n++) {
    await counted(other, `${n} of 72`)
    await other.keyboard.press('Space')
  }
  await expect(other.getByText('Look it over before it is closed')).toBeVisible()
  await expect(other.locator('footer')).not.toContainText('saving')
  const state = await (await bench.get(`/api/bench/${copy.id}`)).json()
  const join = (state.job.steps as Step[]).find(each => each.task === 'join' && each.side === 'B')!
  expect(join.pieces.map(piece => state.state.standings[piece.id]?.status)).toEqual(
    Array.from({ length: 72 }, () => 'done'),
  )
  expect(new Set(join.pieces.map(piece => state.state.standings[piece.id].by)).size).toBe(2)
  await Promise.all([planner.dispose(), bench.dispose(), other.context().close()])
})

test('two people at one connector are never at the same contact', async ({ page, browser }) => {
  await signIn(page, 'bench', '/bench/M-201')
  await expect(page.locator('.kicker')).toContainText('of 72')
  const other = await second(browser, 'bench2', 390, 844)
  await other.goto('/bench/M-201')
  await expect(other.getByText('Tove', { exact: false }).first()).toBeVisible()
  await expect
    .poll(
      async () =>
        (await other.locator('.big .to').first().innerText()) !== (await page.locator('.big .to').first().innerText()),
    )
    .toBe(true)
  const wide = await other.evaluate(() => document.documentElement.scrollWidth > window.innerWidth)
  expect(wide).toBe(false)
  // On the phone by touch: another contact first, then the button.
  await other.getByRole('button', { name: 'it is in' }).click()
  await expect(page.getByText('Anselm', { exact: false }).first()).toBeVisible()
  await other.context().close()
})

test('a boot cannot be forgotten; left out, it needs a reason and the end shows it', async ({ page }) => {
  await signIn(page, 'bench', '/bench/A-121')
  await expect(page.getByText('Cut Screened pair')).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByText(/Mark both ends/)).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByText('Slide on boot', { exact: false }).first()).toBeVisible()
  await expect(page.getByText('On it now, or the end is lost.')).toBeVisible()
  // Somebody who wants to solder at once is told what comes first.
  await page.keyboard.press('l')
  await page.getByRole('dialog').getByText('Solder into the cup').first().click()
  await expect(page.getByText(/First: A-121 end A, slide on boot|First: A-121 end A/)).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.locator('.kicker')).toContainText('1 of 3')
  await page.keyboard.press('l')
  await page.getByRole('dialog').getByText('Slide on boot', { exact: false }).first().click()
  await page.keyboard.press('k')
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText(/does not go on any more/)).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Leave it out' })).toBeDisabled()
  await dialog.getByLabel('Why it is left out').fill('plain shell, no boot made for it')
  await dialog.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByText('Slide on strain-relief nut', { exact: false }).first()).toBeVisible()
  await page.keyboard.press('l')
  await expect(page.getByText(/Left out, A-121 end A: plain shell, no boot made for it/)).toBeVisible()
  await page.goto('/runs/A-121')
  await expect(page.getByRole('list', { name: 'History' }).getByText('plain shell, no boot made for it')).toBeVisible()
})

test('of very many jobs a part is drawn at a time, and find looks through all of them', async ({ page }) => {
  await signIn(page, 'bench')
  // What thousands of runs bring, made of one job of the demo.
  await page.route(/\/api\/i\/[^/]+\/bench\?roughly=1$/, async route => {
    const response = await route.fetch()
    const answer = (await response.json()) as { jobs: Record<string, unknown>[] }
    const one = answer.jobs.find(each => !each.done && !each.begun && !each.hold)
    const jobs = Array.from({ length: 250 }, (_, n) => ({ ...one, id: `X-${n}`, codes: [`X-${1000 + n}`] }))
    await route.fulfill({ response, json: { ...answer, jobs } })
  })
  await page.goto('/bench')
  const rows = page.getByRole('checkbox', { name: /^Mark X-/ })
  await expect(page.getByRole('heading', { name: 'To be made 250' })).toBeVisible()
  await expect(rows).toHaveCount(100)
  await page.getByRole('button', { name: '150 more: show the next 100' }).focus()
  await page.keyboard.press('Enter')
  await expect(rows).toHaveCount(200)
  await expect(page.getByRole('button', { name: '250 alike: make them together' })).toHaveCount(1)
  await page.getByLabel('Find a job').fill('X-1249')
  await expect(rows).toHaveCount(1)
  await expect(page.getByRole('button', { name: /more: show the next/ })).toHaveCount(0)
})

test('a pause keeps the place and a hold stops everybody', async ({ page, browser }) => {
  await signIn(page, 'bench', '/bench/A-132')
  await expect(page.getByText(/^Cut /).first()).toBeVisible()
  await page.keyboard.press('p')
  await page.getByRole('button', { name: 'break', exact: true }).click()
  await page.getByRole('button', { name: 'Pause', exact: true }).last().click()
  await expect(page.getByText('Paused: break')).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByText('Paused: break')).toBeHidden()
  await page.getByRole('button', { name: 'Stop this job' }).click()
  await page.getByLabel('What is wrong').fill('the reel is another cable')
  await page.getByRole('button', { name: 'Stop it' }).click()
  await expect(page.getByText('On hold: the reel is another cable')).toBeVisible()
  const other = await second(browser, 'lead', 1280, 800)
  await other.goto('/bench')
  await expect(other.getByText('the reel is another cable')).toBeVisible()
  await other.goto('/bench/A-132')
  await other.getByRole('button', { name: 'Lift the hold' }).click()
  await expect(other.getByText('On hold')).toBeHidden()
  await expect(page.getByText('On hold: the reel is another cable')).toBeHidden()
  await page.keyboard.press('Space')
  await expect(page.getByText(/Mark both ends/)).toBeVisible()
  await other.context().close()
})

test('what is wrong at the inspection goes back to the right operation', async ({ page }) => {
  const bench = await hands('bench@brackwater.example')
  for (const step of await steps(bench, 'A-119')) {
    if (step.task === 'inspect') break
    for (const piece of step.pieces) await confirm(bench, 'A-119', step, piece)
  }
  await bench.dispose()
  await signIn(page, 'bench', '/bench/A-119')
  await expect(page.getByText('Look it over before it is closed')).toBeVisible()
  await page.getByLabel(/Dry joint/).check()
  await page.getByLabel('Which joint').selectOption({ index: 1 })
  await page.getByRole('button', { name: 'What does that take?' }).click()
  await expect(page.getByText(/Go back to “solder into the cup”/)).toBeVisible()
  await page.getByRole('button', { name: 'Send it back' }).click()
  await expect(page.locator('.huge')).toContainText('Solder into the cup')
  // Its cores were tinned a moment ago.
  await expect(page.getByText(/Let it cool/)).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByText(/Let it cool/)).toBeHidden()
  await page.keyboard.press('Space')
  await expect(page.locator('.huge')).toContainText('Tug')
  await page.keyboard.press('Space')
  await expect(page.locator('.huge')).toContainText('Look it over')
  // What was just confirmed is on its way; the panel comes anew once it has arrived.
  await expect(page.locator('footer')).not.toContainText('saving')
  await page.getByLabel(/Cut strands/).check()
  await page.getByRole('button', { name: 'What does that take?' }).click()
  await expect(page.getByText(/cut back to whole cable/)).toBeVisible()
  await expect(page.getByText(/Spare length is left for 0 more/)).toBeVisible()
})

test('a label sheet is printed, and what a change touches is printed again', async ({ page }) => {
  await signIn(page, 'planner', '/labels')
  const print = page.getByRole('link', { name: /^Print \d+ on \d+ sheet/ })
  await expect(print).toBeVisible()
  const answer = await page.request.get((await print.getAttribute('href')) ?? '')
  expect(answer.headers()['content-type']).toBe('application/pdf')
  expect((await answer.body()).subarray(0, 4).toString()).toBe('%PDF')
  await page.getByRole('button', { name: 'They came out right' }).click()
  await expect(page.getByText(/labels are marked as printed/)).toBeVisible()
  await expect(page.getByText('Nothing of this is left to print.')).toBeVisible()
  // The scheme says something else: all of them are to be printed again.
  await page.getByRole('link', { name: 'What they say' }).click()
  await page.getByLabel('End of a run').fill('{run}.{end}')
  await expect(page.getByText(/would have to be printed again/)).toBeVisible()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await accept(page)
  await page.getByLabel('Which').selectOption('changed')
  await expect(page.getByRole('cell', { name: /says something else now/ }).first()).toBeVisible()
  await page.getByLabel('End of a run').fill('{run}')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Nothing that was printed says something else now.')).toBeVisible()
  // The code on a label opens its end.
  await page.goto('/e/M-201/B')
  await expect(page).toHaveURL(/runs\/M-201\?end=B/)
})

test('twenty technicians at one loom through HTTP: nothing is lost and nothing is doubled', async () => {
  test.setTimeout(240_000)
  const lead = await hands('lead@brackwater.example')
  const crew = await Promise.all(
    Array.from({ length: 20 }, (_, n) =>
      newcomer(lead, {
        signIn: `hand-${n}@x.example`,
        name: `Hand ${n}`,
        roles: ['bench'],
        skills: ['solder', 'crimp', 'coax', 'category'],
      }),
    ),
  )
  const jobs = (await (await lead.get('/api/bench')).json()).jobs as {
    id: string
    loomId: string
    settled: number
    count: number
  }[]
  const loom = jobs.filter(job => job.loomId === 'L2').map(job => job.id)
  expect(loom.length).toBeGreaterThan(2)
  const before = Object.fromEntries(
    await Promise.all(
      loom.map(async job => [job, (await (await lead.get(`/api/bench/${job}`)).json()).state.standings]),
    ),
  )
  const work = await Promise.all(loom.map(async job => ({ job, steps: await steps(lead, job) })))
  // Everybody tries everything, in the order of work but for where they begin: most of it is refused, each piece goes
  // through once.
  const won: string[] = []
  await Promise.all(
    crew.map(async (who, n) => {
      for (let i = 0; i < work.length; i++) {
        const { job, steps: todo } = work[(i + n) % work.length]!
        for (const step of todo.filter(each => each.task !== 'test').slice(0, 9)) {
          for (const piece of step.pieces) {
            if (before[job][piece.id]?.status === 'done') continue
            const answer = await confirm(who, job, step, piece)
            if (answer.status() === 201) won.push(piece.id)
            else expect([409, 422], await answer.text()).toContain(answer.status())
          }
        }
      }
    }),
  )
  expect(new Set(won).size, 'nobody was told yes for what somebody else had done').toBe(won.length)
  for (const { job, steps: todo } of work) {
    const state = (await (await lead.get(`/api/bench/${job}`)).json()).state
    for (const piece of todo
      .filter(each => each.task !== 'test')
      .slice(0, 9)
      .flatMap(step => step.pieces)) {
      expect(state.standings[piece.id]?.status, piece.id).toBe('done')
    }
  }
  const file = (await (await lead.get('/api/installation.json')).json()) as {
    record: { id: string; step?: string; kind: string }[]
  }
  const recorded = file.record.filter(each => each.step && won.includes(each.step))
  expect(recorded.length, 'what was acknowledged is in the record, once').toBe(won.length)
  await Promise.all([...crew, lead].map(each => each.dispose()))
})
