import { expect, test } from './house'
import { choose, lines, signIn } from './crew'

test('an instrument finds the fault, the next reading its end, the bench mends it and all is tested again', async ({
  page,
}) => {
  await signIn(page, 'tester', '/test/A-118')
  await page.getByRole('button', { name: 'Simulated cable …' }).click()
  await page.getByRole('textbox', { name: 'Put a fault in: search' }).fill('open at end b')
  await page.getByRole('button', { name: /^Contact 2 .* open at end B/ }).click()
  await page.getByRole('button', { name: 'Done' }).click()
  await choose(page, 'Instrument', 'Loom tester 2', /Loom tester 2/)
  await page.getByRole('button', { name: 'Read with it' }).click()
  await expect(page.getByText('Fails', { exact: true })).toBeVisible()
  const trouble = page.getByRole('article', { name: 'Trouble 1' })
  await expect(trouble).toContainText('Reads the same')
  await expect(trouble).toContainText('capacitance, core to screen')
  // What is to be read next opens where it is read.
  await trouble.getByRole('button').first().click()
  await expect(page.getByRole('button', { name: 'Capacitance' })).toHaveAttribute('aria-pressed', 'true')
  await choose(page, 'Instrument', 'Meter 1', /Meter 1/)
  await page.getByRole('button', { name: 'Read with it' }).click()
  await expect(trouble.getByText('Contact 2 (hot) is open at end B, A-118 B.')).toBeVisible()
  await expect(trouble).not.toContainText('open at end A')
  await page.getByRole('button', { name: 'Record the failure' }).click()
  await expect(page.getByText('Recorded: fails')).toBeVisible()
  await page.getByRole('button', { name: 'Send to the bench' }).first().click()
  await expect(page.getByText(/Back at the bench: Solder/)).toBeVisible()
  await expect(page.getByText('Nothing read yet')).toBeVisible()

  // The bench has the joint open again, and only from there on.
  await signIn(page, 'bench', '/bench/A-118')
  await expect(page.locator('.kicker')).toBeVisible()
  for (
    let n = 0;
    n < 12 &&
    (await page
      .getByText(/Solder|Tug|Fit|Close/)
      .first()
      .isVisible()
      .catch(() => false));
    n++
  ) {
    const look = page.getByRole('button', { name: 'Looks right' })
    if (await look.isVisible().catch(() => false)) await look.click()
    else await page.keyboard.press('Space')
    await page.waitForTimeout(250)
  }

  await signIn(page, 'tester', '/test/A-118')
  await page.getByRole('button', { name: 'Simulated cable …' }).click()
  await page.getByRole('button', { name: 'Make it good' }).click()
  await page.getByRole('button', { name: 'Done' }).click()
  await choose(page, 'Instrument', 'Loom tester 2', /Loom tester 2/)
  await page.getByRole('button', { name: 'All it can' }).click()
  await expect(page.getByText('Passes', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(page.getByText('Recorded: passes')).toBeVisible()
  const bench = page.getByRole('list', { name: 'Earlier tests, bench' })
  await expect(bench.getByText('fails')).toBeVisible()
  await expect(bench.getByText('passes')).toBeVisible()
  await page.getByRole('group', { name: 'Stage' }).getByRole('button', { name: 'In place' }).click()
  await expect(page.getByRole('button', { name: 'Noise' })).toBeVisible()
  await lines(page, '', '', '', '')
  await page.getByRole('button', { name: 'Noise' }).click()
  await page.getByRole('button', { name: 'hum' }).click()
  await expect(page.getByText('Fails', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'clean' }).click()
  await expect(page.getByText('Passes', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(page.getByRole('list', { name: 'Earlier tests, in place' }).getByText('passes')).toBeVisible()
})

test('a many-way connector goes channel by channel, and what is declared says so', async ({ page }) => {
  await signIn(page, 'tester', '/test/M-202')
  await page.getByRole('button', { name: /^Declare channel/ }).click()
  await expect(page.getByRole('cell', { name: 'declared' })).toHaveCount(3)
  await page.getByRole('button', { name: 'Start over' }).click()
  await page.goto('/test/A-121?stage=before-closing')
  await page.getByRole('button', { name: 'As expected' }).click()
  await expect(page.getByText('Not all of it yet')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Record', exact: true })).toBeDisabled()
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'As expected' }).click()
  await expect(page.getByText('Passes', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Start over' }).click()
  await page.goto('/test/M-203')
  await page.getByRole('button', { name: 'Switches' }).click()
  await expect(page.getByRole('group', { name: 'Operate' }).getByRole('button')).toHaveCount(8)
  await lines(page, '', '')
  await expect(page.getByRole('button', { name: /Ground lift 1 operated\s*2 of 2/ })).toBeVisible()
})

test('instruments and plans are kept, and what the house adds is asked for', async ({ page }) => {
  await signIn(page, 'lead', '/test/instruments')
  await expect(page.getByRole('row', { name: /Wire-map tester 1 .* overdue/ })).toBeVisible()
  await page.getByRole('button', { name: 'Add an instrument' }).click()
  await page.getByLabel('Name').fill('Bench lamp')
  await page.getByLabel('Number on it').fill('L-7')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('row', { name: /Bench lamp/ })).toBeVisible()
  await page.getByRole('button', { name: 'bnc' }).click()
  const plan = page.getByRole('group', { name: 'Test plan of bnc' })
  await plan.getByRole('group', { name: 'at the bench' }).getByLabel('capacitance, core to screen').check()
  await expect(page.getByText('Saved. Every test plan follows.')).toBeVisible()
  await page.goto('/test/V-404')
  await expect(page.getByRole('button', { name: 'Capacitance' })).toBeVisible()
  await page.goto('/test/instruments')
  await page.getByRole('button', { name: 'bnc' }).click()
  await page.getByRole('button', { name: 'Back to what the wiring asks' }).click()
  await expect(page.getByText('Saved. Every test plan follows.')).toBeVisible()
})

test('a verdict that comes after the reading was recorded says nothing of the next one', async ({ page }) => {
  await signIn(page, 'tester', '/test/D-033')
  const slow: (() => Promise<void>)[] = []
  await page.route(/\/runs\/[^/]+\/test$/, async route => {
    const answer = await route.fetch()
    slow.push(() => route.fulfill({ response: answer }))
  })
  const record = page.getByRole('button', { name: 'Record', exact: true })
  // Each line is asked about: the verdicts are on their way when the last one is read.
  await expect(async () => {
    if (await record.isDisabled()) await page.getByRole('button', { name: 'As expected' }).click({ timeout: 1000 })
    await expect(record).toBeEnabled({ timeout: 50 })
  }).toPass({ intervals: [10] })
  await expect.poll(() => slow.length).toBeGreaterThan(0)
  await page.route(/\/events$/, route => route.abort())
  await record.click()
  await expect(page.getByText(/^Waits here: passes/)).toBeVisible()
  await Promise.all(slow.map(answer => answer()))
  await expect(page.getByText('Nothing read yet')).toBeVisible()
  await page.waitForTimeout(500)
  await expect(record).toBeDisabled()
})

test('a certifier card comes in, and a bad one names its rows', async ({ page }) => {
  await signIn(page, 'tester')
  const csv = await (await page.request.get('/api/simulators/certifier.csv?runs=C-418,C-419')).text()
  await page.goto('/test')
  await page.getByRole('button', { name: 'Certifier card …' }).click()
  const dialog = page.getByRole('dialog')
  await dialog
    .getByLabel('Choose the file')
    .setInputFiles({ name: 'card.csv', mimeType: 'text/csv', buffer: Buffer.from(csv.replaceAll('C-419', 'X-1')) })
  await expect(dialog.getByRole('alert')).toContainText('There is no such cable here')
  await dialog
    .getByLabel('Choose the file')
    .setInputFiles({ name: 'card.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await expect(dialog.getByRole('row', { name: /C-418 12 passes/ })).toBeVisible()
  await dialog.getByRole('button', { name: 'Record 2' }).click()
  await expect(dialog.getByText('Recorded: 2 cables, in place.')).toBeVisible()
})

test('the trainer hides a fault, counts what is spent and shows the short way', async ({ page }) => {
  await signIn(page, 'bench', '/test/trainer')
  await page.getByRole('textbox', { name: 'Cable, or leave it to chance' }).fill('A-119')
  await page.getByRole('button', { name: 'Start' }).click()
  await page.getByRole('button', { name: /end-to-end map/ }).click()
  await expect(page.getByText('1 min spent')).toBeVisible()
  await page.getByRole('button', { name: /end A/ }).click()
  await page.getByRole('button', { name: /end B/ }).click()
  await expect(page.getByRole('alert')).toContainText('No end is left to open')
  await page.getByRole('textbox', { name: /Search/ }).fill('open')
  await page.getByRole('option').first().click()
  await page.getByRole('button', { name: 'That is it' }).click()
  await expect(page.getByRole('list', { name: 'The short way' }).getByRole('listitem').first()).toContainText(
    'end-to-end map',
  )
  await page.getByRole('button', { name: 'Another one' }).click()
  await expect(page.getByText('Nothing read yet. Start with the map.')).toBeVisible()
})

test('progress is live: what one records, another sees within seconds', async ({ page, browser }) => {
  await signIn(page, 'lead', '/test')
  const passed = page.getByRole('region', { name: 'How far testing is' }).locator('b').first()
  const before = Number(await passed.innerText())
  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'tester', '/test/C-442')
  await expect(other.getByText(/^Probe/).first()).toBeVisible()
  const count = await other.locator('table.lines tbody tr').count()
  await lines(other, ...Array.from({ length: count }, () => ''))
  await other.getByRole('button', { name: 'Pairs' }).click()
  await other.getByLabel('The tester checks pairs too').check()
  await other.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(other.getByText('Recorded: passes')).toBeVisible()
  await expect(async () => {
    expect(Number(await passed.innerText())).toBe(before + 1)
  }).toPass({ timeout: 9000 })
  await other.context().close()
})
