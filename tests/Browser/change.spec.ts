import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, type Page, test } from './house'
import { signIn } from './crew'
import { OwnServer } from './server'

// One after the other: the rack that the first moves is what the second works from.
test.describe.configure({ mode: 'serial' })
// A release and a moved rack are nothing that other tests expect.
const server = new OwnServer(61)
test.use({ baseURL: server.base })
test.beforeAll(async () => {
  server.fresh()
  await server.up()
})
test.afterAll(() => {
  server.down()
})

const bead = (page: Page, code: string) => page.getByRole('row').filter({ hasText: code }).locator('svg.strand').first()
async function rack(page: Page) {
  await page.goto('/rules/building')
  await page.locator('.canvas text', { hasText: 'Amplifier rack 1' }).first().click({ force: true })
  await expect(page.getByRole('heading', { name: 'If it moves' })).toBeVisible()
}
async function move(page: Page, by: string) {
  await page.getByLabel('To amplifier rack 1 becomes longer by').fill(by)
  await page.getByRole('button', { name: 'Move it' }).click()
}

test('a rack is moved, its impact read, accepted, seen on the strand, mended, released, packed and signed', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await signIn(page, 'lead')
  await rack(page)
  await expect(page.getByText(/may become .* longer before/)).toBeVisible()

  // What it would cost, before anything is changed; left as it is, nothing was.
  await move(page, '0.4 m')
  const dialog = page.getByRole('alertdialog')
  await expect(dialog.getByRole('heading', { name: 'Amplifier rack 1 moved' })).toBeVisible()
  await expect(dialog.getByText('Nothing is changed yet.')).toBeVisible()
  await expect(
    dialog
      .locator('article')
      .filter({ hasText: 'A-114' })
      .getByText(/Cut at 25\.05 m, needs 25\.428 m: 378 mm too short/),
  ).toBeVisible()
  await expect(dialog.locator('article').filter({ hasText: 'A-114' }).getByText('cheapest')).toBeVisible()
  // A figure opens into its sum.
  await dialog.locator('dl summary').first().click()
  await expect(dialog.getByRole('rowheader', { name: 'A-114' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Leave it as it is' }).click()
  await expect(page.getByRole('alert')).toHaveText('Nothing was changed.')
  await expect(page.getByRole('row').filter({ hasText: 'To amplifier rack 1' })).toContainText('0.80 m')

  // Put aside, it waits; made from there, it is changed.
  await move(page, '0.4 m')
  await dialog.getByRole('button', { name: 'Put it aside as a draft' }).click()
  await expect(page.getByRole('alert')).toContainText('Put aside as a draft')
  await page.goto('/handover/releases')
  await page.getByRole('button', { name: 'What it overtakes now' }).click()
  await expect(page.getByRole('region', { name: 'Put aside' }).getByRole('link', { name: 'A-114' })).toBeVisible()
  await page.getByRole('button', { name: 'Drop it' }).click()
  await expect(page.getByText('Dropped.')).toBeVisible()
  await rack(page)
  await move(page, '0.4 m')
  await dialog.getByRole('button', { name: 'Make the change' }).click()
  await expect(page.getByText('Moved.')).toBeVisible()

  await page.goto('/schedule')
  await expect(bead(page, 'A-114')).toHaveAttribute('aria-label', /cut overtaken/)
  await expect(bead(page, 'A-119')).toHaveAttribute('aria-label', /cut to do/)

  await page.goto('/handover/overtaken')
  const run = page.locator('article').filter({ has: page.getByRole('link', { name: 'A-114' }) })
  await run.getByText('how that is reckoned').click()
  await expect(run.getByText('by the plan, before it is rounded up')).toBeVisible()
  await run.locator('.remedy').filter({ hasText: 'slack' }).getByRole('button', { name: 'Do this' }).click()
  await expect(page.getByText('Confirmed: its slack is used up.')).toBeVisible()
  await expect(run).toHaveCount(0)
  // One that is made again goes back to the bench, from its cut.
  await page
    .locator('article')
    .filter({ has: page.getByRole('link', { name: 'A-116' }) })
    .locator('.remedy')
    .filter({ hasText: 'Make it again' })
    .getByRole('button', { name: 'To the bench' })
    .click()
  await expect(page.getByText('It is back at the bench, step by step.')).toBeVisible()
  await page.goto('/schedule')
  await expect(bead(page, 'A-114')).toHaveAttribute('aria-label', /cut done/)
  await expect(bead(page, 'A-116')).toHaveAttribute('aria-label', /cut to do, end A to do, end B to do/)

  await page.goto('/handover/releases')
  server.works()
  await page.getByLabel('Note for the shop').fill('The rack stands where it stands now')
  await page.getByRole('button', { name: /Release A, signed by Odile/ }).click()
  await expect(page.getByText(/A is released/)).toBeVisible()
  await expect(page.getByRole('row').filter({ hasText: 'worked from' })).toContainText(
    'The rack stands where it stands now',
  )

  await page.goto('/handover')
  await expect(page.getByRole('heading', { name: /failed its test/ })).toBeVisible()
  await page.getByRole('region', { name: 'failed its test' }).getByRole('link', { name: /C-442/ }).click()
  await expect(page).toHaveURL(/\/test\/C-442/)

  await page.goto('/handover/pack')
  await page.getByRole('button', { name: 'Make a pack' }).click()
  const bar = page.getByRole('progressbar', { name: 'How far the pack is' })
  await expect(bar).toBeVisible()
  // Nobody has taken it up: it is called off, and asked for once more.
  await expect(page.getByText('Waits for a worker to take it up.')).toBeVisible()
  await page.getByRole('button', { name: 'Call it off' }).click()
  await expect(page.getByText('Called off. Nothing was kept of it.')).toBeVisible()
  await expect(bar).toBeHidden()
  await page.getByRole('button', { name: 'Make a pack' }).click()
  await expect(bar).toBeVisible()
  // Whoever comes back finds how far it is.
  await page.reload()
  await expect(bar).toBeVisible()
  server.works()
  const pack = page.getByRole('article', { name: 'Pack 1' })
  await expect(pack).toBeVisible({ timeout: 60_000 })
  await pack.getByRole('button', { name: 'Sign as lead' }).click()
  await expect(pack.getByText('Odile Marchetti-Voss, lead')).toBeVisible()
  await pack.getByRole('button', { name: 'Check it again' }).click()
  await expect(pack.getByText('It is what was packed')).toBeVisible()

  // Opened by somebody with nothing but a shell.
  const download = page.waitForEvent('download')
  await pack.getByRole('link', { name: 'All of it, zip' }).click()
  const folder = mkdtempSync(join(tmpdir(), 'sartal-pack-'))
  await (await download).saveAs(join(folder, 'pack.zip'))
  execFileSync('php', [
    '-r',
    `$zip = new ZipArchive; $zip->open('${folder}/pack.zip'); $zip->extractTo('${folder}/open');`,
  ])
  execFileSync('sha256sum', ['-c', '--strict', '--quiet', 'SHA256SUMS'], { cwd: join(folder, 'open') })
  await page.goto('/schedule')
  await expect(bead(page, 'A-114')).toHaveAttribute('aria-label', /signed done/)
})

test('pieces of other cables are looked through when somebody asks for it', async ({ page }) => {
  await signIn(page, 'lead', '/rules/building')
  await page.locator('.canvas text', { hasText: 'Media rack' }).first().click({ force: true })
  await page.getByLabel('To media rack becomes longer by').fill('2 m')
  await page.getByRole('button', { name: 'Move it' }).click()
  const dialog = page.getByRole('alertdialog')
  const piece = dialog.locator('article').filter({ hasText: 'V-403' })
  await expect(piece.getByText('nobody has looked for one yet')).toBeVisible()
  await dialog.getByRole('button', { name: 'Look through all pieces' }).click()
  await expect(piece.getByText('none that is cut and not begun is long enough')).toBeVisible()
  await expect(dialog.getByText('Left open')).toBeHidden()
  await dialog.getByRole('button', { name: 'Leave it as it is' }).click()
  await expect(page.getByRole('alert')).toHaveText('Nothing was changed.')
})

test('after a release the planner goes on planning, and the bench is not disturbed', async ({ page }) => {
  await signIn(page, 'planner', '/rules')
  await expect(page.getByRole('heading', { name: 'Rules' })).toBeVisible()
  await rack(page)
  await move(page, '3 m')
  const dialog = page.getByRole('alertdialog')
  await dialog.getByRole('button', { name: 'Make the change' }).click()
  await expect(page.getByText('Moved.')).toBeVisible()
  await page.goto('/handover/overtaken')
  await expect(
    page
      .locator('article')
      .filter({ has: page.getByRole('link', { name: 'A-117' }) })
      .getByText(/needs 25\.428 m/),
  ).toBeVisible()
  await page.goto('/handover/releases')
  await expect(page.getByRole('heading', { name: 'Release B' })).toBeVisible()
  await expect(page.getByText('It overtakes work that is done')).toBeVisible()
  await page.getByRole('button', { name: 'Compare', exact: true }).click()
  await expect(
    page.getByRole('region', { name: 'Differences' }).getByText('way', { exact: false }).first(),
  ).toBeVisible()
})

test('a fault in service is found on its circuit, reported, repaired and waits for its test', async ({ page }) => {
  await signIn(page, 'lead', '/handover/service')
  await page.getByLabel('Find a circuit').fill('A-117')
  await page.locator('.found button').first().click()
  await expect(page.locator('.trace li')).toHaveCount(3)
  await page.getByLabel('Cable at fault').selectOption({ label: 'A-117' })
  await page.getByLabel('What is wrong').fill('Crackles at low tide')
  await page.getByRole('button', { name: 'Report a fault' }).click()
  const faults = page.getByRole('region', { name: 'Faults' })
  await expect(faults.getByText('Crackles at low tide')).toBeVisible()
  await faults.getByLabel('What was done to A-117').fill('Joined again')
  await faults.getByRole('button', { name: 'It is repaired' }).click()
  await expect(faults.getByRole('link', { name: 'Test it in place' })).toBeVisible()
  await page.goto('/crew/log')
  await page.getByLabel('Words').fill('low tide')
  await expect(page.getByText('1 entry')).toBeVisible()
})

test('the next installation begins from this one', async ({ page }) => {
  await signIn(page, 'planner')
  await page.getByRole('button', { name: /Brackwater Tide Station/ }).click()
  await page.getByText('Begin the next one from this').click()
  await page.getByLabel('Name of the new installation').fill('Lock gallery')
  await page.getByLabel('and every cable, as if nothing was done yet').check()
  await page.getByRole('button', { name: 'Make it, and open it' }).click()
  await expect(page.locator('.who .site')).toHaveText('Lock gallery')
  await expect(bead(page, 'A-114')).toHaveAttribute('aria-label', /cut to do/)
})

test('a file is brought in by a worker: what is wrong is listed, what is right is opened', async ({ page }) => {
  server.works()
  const demo = JSON.parse(readFileSync('database/demo/brackwater.json', 'utf8')) as {
    installation: { id: string; name: string }
  }
  demo.installation = { ...demo.installation, id: 'upper-gate', name: 'Upper gate' }
  const as = (name: string, of: object) => ({
    name,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(of)),
  })
  await signIn(page, 'planner', '/installations')
  await page.getByLabel('an installation file, with all').check()
  const file = page.locator('input[type="file"]')
  const send = page.getByRole('button', { name: 'Begin it, and open it' })
  await file.setInputFiles(as('wrong.json', { ...demo, runs: [{ id: 7 }] }))
  await send.click()
  const wrong = page.getByRole('table', { name: 'What is wrong' })
  await expect(wrong.getByRole('row').nth(1)).toContainText('runs[0].id7should be text.', { timeout: 20_000 })
  await expect(page.getByRole('alert').filter({ hasText: 'things are wrong' })).toBeVisible()
  await file.setInputFiles(as('right.json', demo))
  await send.click()
  await expect(page.getByRole('progressbar', { name: 'How far the file is' })).toBeVisible()
  await expect(page).toHaveURL(/\/i\/[^/]+\/schedule/, { timeout: 30_000 })
  await expect(page.locator('.who .site')).toHaveText('Upper gate')
  await expect(bead(page, 'A-114')).toHaveAttribute('aria-label', /cut done/)
})
