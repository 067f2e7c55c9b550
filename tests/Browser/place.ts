import type { APIRequestContext, BrowserContext, Page } from '@playwright/test'

/** Addresses that are of no installation. */
const OF_NONE = /^\/(?:(?:i|e|join|build)\/|sign-in|sw\.js|mark\.svg|$)/
const API_OF_NONE = /^\/api\/(?:i\/|session|installations|organisation|invitations|arrivals|docs)/

/** Every address names its installation; the tests are about one of them, and say the rest. */
export function placed(path: string, at: string): string {
  if (!path.startsWith('/') || OF_NONE.test(path) || API_OF_NONE.test(path)) return path
  return path.startsWith('/api/') ? `/api/i/${at}/${path.slice(5)}` : `/i/${at}${path}`
}

const SENDS = ['get', 'post', 'put', 'patch', 'delete', 'head', 'fetch'] as const
/** Has what is asked through this go to an installation. */
export function placeRequests(of: APIRequestContext, at: () => string): void {
  for (const method of SENDS) {
    const plain = of[method].bind(of) as (to: unknown, ...more: unknown[]) => Promise<never>
    of[method] = (to: unknown, ...more: unknown[]) => plain(typeof to === 'string' ? placed(to, at()) : to, ...more)
  }
}

export function placePage(page: Page, at: () => string): void {
  const goto = page.goto.bind(page)
  page.goto = (path, options) => goto(placed(path, at()), options)
}

export function placeContext(context: BrowserContext, at: () => string): void {
  placeRequests(context.request, at)
  for (const page of context.pages()) placePage(page, at)
  context.on('page', page => {
    placePage(page, at)
  })
}
