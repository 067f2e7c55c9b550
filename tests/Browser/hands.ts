import type { Page } from './house'

/**
 * What hands did on a page, counted from the page's own events, and how long that takes by the keystroke-level model
 * (Card, Moran, Newell 1980): K 0.2 s, P 1.1 s, a press of the button 0.2 s, H 0.4 s for going from keys to pointer and
 * back, M 1.35 s before each chunk of work. Times from memory.
 */
export interface Hands {
  keys: number
  presses: number
  homings: number
  chunks: number
}
const K = 0.2
const P = 1.1
const BB = 0.2
const H = 0.4
const M = 1.35

export const seconds = (of: Hands) => of.keys * K + of.presses * (P + BB) + of.homings * H + of.chunks * M

export async function watchHands(page: Page): Promise<() => Promise<Hands>> {
  await page.addInitScript(() => {
    // One count for the whole of it, whichever page it is on by then.
    const kept = JSON.parse(
      sessionStorage.getItem('hands') ?? '{"keys":0,"presses":0,"homings":0,"chunks":0,"last":""}',
    )
    const note = (kind: 'keys' | 'presses') => {
      kept[kind]++
      if (kept.last !== '' && kept.last !== kind) kept.homings++
      // A press is thought of by itself; typing once as it begins.
      if (kind === 'presses' || kept.last !== kind) kept.chunks++
      kept.last = kind
      sessionStorage.setItem('hands', JSON.stringify(kept))
    }
    let struck = 0
    addEventListener(
      'keydown',
      () => {
        struck = performance.now()
        note('keys')
      },
      true,
    )
    addEventListener('pointerdown', () => note('presses'), true)
    // A field that a test fills at once was typed: a key for each sign that is another now.
    const was = new WeakMap<EventTarget, string>()
    addEventListener(
      'input',
      event => {
        const field = event.target as HTMLInputElement
        const [before, now] = [was.get(field) ?? '', field.value ?? '']
        was.set(field, now)
        let same = 0
        while (same < now.length && now[same] === before[same]) same++
        if (performance.now() - struck > 100) for (let n = same; n < now.length; n++) note('keys')
      },
      true,
    )
  })
  return () => page.evaluate(() => JSON.parse(sessionStorage.getItem('hands') ?? '{}')) as Promise<Hands>
}
