import { at, expect, house, request, type APIRequestContext, type Page } from './house'
import { placed, placeRequests } from './place'

/** Signs in and goes to a place; the form itself is tried by the tests of the door. */
export async function signIn(page: Page, role: string, place = '/schedule') {
  // What an open page asks for in between would come back with a session of its own.
  await page.goto('about:blank')
  await page.context().clearCookies()
  await page.request.get('/api/session')
  const token = (await page.context().cookies()).find(cookie => cookie.name === 'XSRF-TOKEN')?.value ?? ''
  const answer = await page.request.post('/api/session', {
    data: { signIn: `${role}@brackwater.example`, password: 'brackwater' },
    headers: { 'X-XSRF-TOKEN': decodeURIComponent(token), Accept: 'application/json' },
  })
  expect(answer.ok()).toBe(true)
  await page.goto(place)
  if (place === '/schedule') await expect(page.getByRole('heading', { name: 'Schedule' })).toBeVisible()
}

/** Goes to a place as a link does, without loading the page anew. */
export async function go(page: Page, path: string) {
  await page.evaluate(
    to => {
      window.history.pushState({}, '', to)
      window.dispatchEvent(new PopStateEvent('popstate', { state: {} }))
    },
    placed(path, at()),
  )
  await expect(page).toHaveURL(new RegExp(`${path.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`))
}

/** Chooses from an autocomplete by typing. */
export async function choose(page: Page, label: string, text: string, option: RegExp | string) {
  const field = page.getByRole('combobox', { name: label, exact: true })
  await field.click()
  await field.fill(text)
  await page.getByRole('option', { name: option }).first().click()
  await page.keyboard.press('Tab')
}

/** An edit overtakes work that is done: somebody has read what it costs, and makes it. */
export async function accept(page: Page) {
  await page.getByRole('alertdialog').getByRole('button', { name: 'Make the change' }).click()
}

/** One line of a test: what was typed for it. */
export async function lines(page: Page, ...typed: string[]) {
  for (const text of typed) {
    await page.getByPlaceholder('what lights').fill(text)
    await page.getByPlaceholder('what lights').press('Enter')
  }
}

/** The picture of a strand, in words. */
export const strand = (page: Page) => page.locator('svg.strand').first()

/** Somebody without a browser, once they have come in at a door. */
async function through(path: string, data: object, baseURL: string): Promise<APIRequestContext> {
  const plain = await request.newContext({ baseURL })
  await plain.get('/api/session')
  const token = async (of: APIRequestContext) =>
    decodeURIComponent((await of.storageState()).cookies.find(each => each.name === 'XSRF-TOKEN')?.value ?? '')
  const answer = await plain.post(path, {
    data,
    headers: { Accept: 'application/json', 'X-XSRF-TOKEN': await token(plain) },
  })
  expect(answer.status(), await answer.text()).toBe(200)
  const state = await plain.storageState()
  const signed = await request.newContext({
    baseURL,
    storageState: state,
    extraHTTPHeaders: { Accept: 'application/json', 'X-XSRF-TOKEN': await token(plain) },
  })
  await plain.dispose()
  placeRequests(signed, at)
  return signed
}

/** Somebody without a browser: signs in and sends what a bench sends. */
export const hands = (name: string, password = 'brackwater', baseURL = house.base): Promise<APIRequestContext> =>
  through('/api/session', { signIn: name, password }, baseURL)

/** Somebody new: the lead invites them, and they come in by the link that is handed to them. */
export async function newcomer(
  lead: APIRequestContext,
  person: { signIn: string; name: string; roles: string[]; skills: string[] },
  baseURL = house.base,
): Promise<APIRequestContext> {
  const made = await lead.post('/api/crew', { data: person })
  expect(made.status(), await made.text()).toBe(201)
  const { invitation } = (await made.json()) as { invitation: { link: string } }
  return await through(
    `/api/invitations/${invitation.link.split('/').pop()!}`,
    { signIn: person.signIn, password: 'sluice kettle fourteen' },
    baseURL,
  )
}

/** How many things wait on this device, as it has them written down. */
export const waiting = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('sartal')
        opening.onerror = () => {
          reject(opening.error ?? new Error('The device keeps nothing.'))
        }
        opening.onsuccess = () => {
          const asked = opening.result.transaction('waiting').objectStore('waiting').count()
          asked.onsuccess = () => {
            opening.result.close()
            resolve(asked.result)
          }
        }
      }),
  )
