import { READ } from './read'
import type { InstallationRef } from './types'

/** What the first version kept on a device by the names that files have for installations. */
const BEFORE = 'installation'

/** Names on this device and what was read, as they are called now. What is there under the new name stays. */
export async function moveKept(known: InstallationRef[]): Promise<void> {
  for (const each of known) {
    const [was, is] = [`sartal.${encodeURIComponent(each.key)}.`, `sartal.${each.address}.`]
    for (const name of Object.keys(localStorage).filter(name => name.startsWith(was))) {
      const to = is + name.slice(was.length)
      if (localStorage.getItem(to) === null) localStorage.setItem(to, localStorage.getItem(name)!)
      localStorage.removeItem(name)
    }
  }
  if ('caches' in window) await moveRead(known)
}

async function moveRead(known: InstallationRef[]): Promise<void> {
  if (!(await caches.has(READ))) return
  const cache = await caches.open(READ)
  for (const request of await cache.keys()) {
    const url = new URL(request.url)
    const key = url.searchParams.get(BEFORE)
    const of = known.find(each => encodeURIComponent(each.key) === key || each.key === key)
    if (key === null || !of) continue
    url.searchParams.delete(BEFORE)
    if (url.pathname === '/api/session') url.searchParams.set('at', of.address)
    else url.pathname = url.pathname.replace(/^\/api\//, `/api/i/${of.address}/`)
    const answer = await cache.match(request)
    if (answer && !(await cache.match(url.href))) await cache.put(url.href, answer)
    await cache.delete(request)
  }
}
