import AxeBuilder from '@axe-core/playwright'
import { expect, house, test } from './house'
import { signIn } from './crew'

const WORDS = 'sluice kettle fourteen'

test('the lead invites somebody, who sets a password, works, and changes it', async ({ page, browser }) => {
  await signIn(page, 'lead', '/crew/people')
  await page.getByRole('button', { name: 'Take somebody in' }).click()
  await page.getByLabel('Who').selectOption('somebody new …')
  await page.getByLabel('Name', { exact: true }).fill('Niamh Orsted')
  await page.getByLabel(/Mail address/).fill('niamh@x.example')
  await page
    .getByLabel('8P8C and category')
    .check()
    .catch(() => undefined)
  await page.getByRole('button', { name: 'Save' }).click()
  const link = await page.getByLabel('Link to hand over').inputValue()
  await expect(page.getByRole('row', { name: /Niamh Orsted.*has not come yet/ })).toBeVisible()

  const own = await browser.newContext({ baseURL: house.base })
  const phone = await own.newPage()
  await phone.goto(new URL(link).pathname)
  await expect(phone.getByRole('heading', { name: 'Niamh Orsted, come in' })).toBeVisible()
  // A door like the sign-in, and seen by nobody who is in.
  expect((await new AxeBuilder({ page: phone }).analyze()).violations.map(each => each.id)).toEqual([])
  await phone.getByLabel('Password', { exact: true }).fill('short')
  await phone.getByLabel('The same once more').fill('short')
  await phone.getByRole('button', { name: 'Set it, and sign in' }).click()
  await expect(phone.getByRole('alert')).toContainText('at least 12 characters')
  await phone.getByLabel('Password', { exact: true }).fill(WORDS)
  await phone.getByLabel('The same once more').fill(WORDS)
  await phone.getByRole('button', { name: 'Set it, and sign in' }).click()
  await expect(phone.getByRole('heading', { name: 'Bench' })).toBeVisible()
  // The same link a second time.
  await phone.goto(new URL(link).pathname)
  await expect(phone.getByRole('heading', { name: /leads nowhere/ })).toBeVisible()

  await phone.goto('/account')
  await phone.getByLabel('The one you have now').fill(WORDS)
  await phone.getByLabel('The new one', { exact: true }).fill('another three words here')
  await phone.getByLabel('The new one once more').fill('another three words here')
  await phone.getByRole('button', { name: 'Change it' }).click()
  await expect(phone.getByText('Changed. You are signed out everywhere else.')).toBeVisible()
  await expect(phone.getByText('this one')).toBeVisible()
  await own.close()
})

test('an organisation is renamed, an installation begun, archived, brought back and left', async ({ page }) => {
  await signIn(page, 'lead', '/organisation')
  await page.getByRole('button', { name: 'rename' }).click()
  await page.getByLabel('Name of the organisation').fill('Barrage works')
  await page.getByRole('button', { name: 'Rename it' }).click()
  await expect(page.getByRole('heading', { name: 'Barrage works' })).toBeVisible()
  await expect(page.getByRole('row', { name: /Brackwater Tide Station/ })).toContainText('Odile Marchetti-Voss')

  await page.goto('/installations')
  await page.getByLabel('Name', { exact: true }).fill('Pilot house')
  await page.getByRole('button', { name: 'Begin it, and open it' }).click()
  await expect(page.getByRole('heading', { name: 'Schedule' })).toBeVisible()
  await expect(page.getByText('Pilot house').first()).toBeVisible()
  const there = page.url()

  await page.getByRole('button', { name: /Pilot house/ }).click()
  await page.getByText('Archive this one …').click()
  await page.getByRole('button', { name: 'Archive it' }).click()
  await expect(page.getByText('Archived:').first()).toBeVisible()
  await page.getByRole('button', { name: /Pilot house/ }).click()
  await page.getByText('Bring this one back into use').click()
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(page.getByText('is read, and nothing is')).toHaveCount(0)

  // Its only lead does not leave it; the one with other leads would.
  await page.goto(`${new URL(there).pathname.replace(/schedule$/, 'installations')}`)
  const row = page.getByRole('list', { name: 'In use' }).getByRole('listitem').filter({ hasText: 'Pilot house' })
  await expect(row).toContainText('in hand')
  await row.getByRole('button', { name: 'Leave' }).click()
  await page.getByRole('button', { name: 'Leave it' }).click()
  await expect(page.getByRole('alert')).toContainText('is the only lead of Pilot house')
})

test('out of the crew is out at once, and what was done stays under the name', async ({ page, browser }) => {
  const own = await browser.newContext({ baseURL: house.base })
  const bench = await own.newPage()
  await signIn(bench, 'bench2')
  await signIn(page, 'lead', '/crew/people')
  await page.getByRole('button', { name: 'Anselm Quayle-Bright' }).click()
  await page.getByRole('button', { name: 'Out of the crew' }).click()
  await expect(page.getByText('Not of the crew any more: 1')).toBeVisible()
  await bench.reload()
  await expect(bench.getByRole('heading', { name: 'Not of your crew' })).toBeVisible()
  await page.getByText('Not of the crew any more: 1').click()
  await page.getByRole('button', { name: 'take back in' }).click()
  await expect(page.getByRole('row', { name: /Anselm Quayle-Bright/ })).toBeVisible()
  await bench.reload()
  await expect(bench.getByRole('heading', { name: 'Schedule' })).toBeVisible()
  await own.close()
})

test('two leads change the same person at once: the second sees both and says which', async ({ page, browser }) => {
  const own = await browser.newContext({ baseURL: house.base })
  const other = await own.newPage()
  for (const each of [page, other]) {
    await signIn(each, 'lead', '/crew/people')
    await each.getByRole('button', { name: 'Rafi Dunmarrow' }).click()
  }
  await page.getByRole('checkbox', { name: 'tester' }).check()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('row', { name: /Rafi Dunmarrow.*installer, tester/ })).toBeVisible()
  await other.getByRole('checkbox', { name: 'bench', exact: true }).check()
  await other.getByRole('button', { name: 'Save', exact: true }).click()
  const both = other.getByRole('alertdialog')
  await expect(both.getByRole('row', { name: /roles/ })).toContainText('installer, tester')
  await expect(both.getByRole('row', { name: /roles/ })).toContainText('installer, bench')
  await both.getByRole('button', { name: 'Save mine over it' }).click()
  await expect(other.getByRole('row', { name: /Rafi Dunmarrow.*installer, bench/ })).toBeVisible()
  await own.close()
})
