import { test as base } from '@playwright/test'
import { OwnServer } from './server'

export { chromium, expect, request, type APIRequestContext, type Browser, type Page } from '@playwright/test'

/** The server that the tests of this lane share. Each file of tests finds the demo as it ships. */
export const house = new OwnServer(0)
let begun = ''

interface Fixtures {
  asShipped: undefined
}
interface Shared {
  up: undefined
}

export const test = base.extend<Fixtures, Shared>({
  up: [
    async ({}, use) => {
      house.fresh()
      await house.up()
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
