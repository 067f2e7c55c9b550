import { test as base } from '@playwright/test'
import { placeContext } from './place'
import { OwnServer } from './server'

export { chromium, expect, request, type APIRequestContext, type Browser, type Page } from '@playwright/test'

/** The server that the tests of this lane share. Each file of tests finds the demo as it ships. */
export const house = new OwnServer(0)
let begun = ''
let demo = ''
/** What addresses call the demo: the same in every database, which are copies of one. */
export const at = () => (demo ||= house.address())

interface Fixtures {
  asShipped: undefined
}
interface Shared {
  up: undefined
}

export const test = base.extend<Fixtures, Shared>({
  up: [
    async ({ browser }, use) => {
      house.fresh()
      await house.up()
      const begin = browser.newContext.bind(browser)
      browser.newContext = async options => {
        const context = await begin(options)
        placeContext(context, at)
        return context
      }
      await use(undefined)
      house.down()
    },
    { scope: 'worker', auto: true },
  ],
  asShipped: [
    async ({}, use, info) => {
      if (begun !== '' && begun !== info.file) house.fresh()
      begun = info.file
      await use(undefined)
    },
    { auto: true },
  ],
  baseURL: async ({}, use) => {
    await use(house.base)
  },
})
