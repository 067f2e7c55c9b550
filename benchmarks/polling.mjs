/*
 * Twenty who have a page open for a minute, which asks for what is new as pages do, while somebody records:
 * node benchmarks/polling.mjs URL ADDRESS SIGN-IN PASSWORD [CLIENTS] [SECONDS]
 * URL: of a started application, as bin/start serves it with its four workers. ADDRESS: of an installation
 * that may be recorded on. Says how long answers took, of each address: half of them, 95 of 100, the longest.
 */
const [, , url, address, name, password, clients = '20', seconds = '60'] = process.argv
if (!password) throw new Error('Say where, which installation, and as whom: URL ADDRESS SIGN-IN PASSWORD.')

/** ms between two questions whether anything is new: resources/js/api/live.ts. */
const PAUSE = 4000
/** ms between two records. */
const EVERY = 5000

class Client {
  cookies = new Map()
  tags = new Map()

  async ask(path, method = 'GET', body = undefined) {
    const began = performance.now()
    const response = await fetch(url + path, {
      method,
      headers: {
        Accept: 'application/json',
        Cookie: [...this.cookies].map(([key, value]) => `${key}=${value}`).join('; '),
        'X-XSRF-TOKEN': decodeURIComponent(this.cookies.get('XSRF-TOKEN') ?? ''),
        ...(this.tags.has(path) ? { 'If-None-Match': this.tags.get(path) } : {}),
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    })
    const text = await response.text()
    for (const cookie of response.headers.getSetCookie()) {
      const [pair] = cookie.split(';')
      this.cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1))
    }
    const tag = response.headers.get('etag')
    if (method === 'GET' && tag !== null) this.tags.set(path, tag)
    return { took: performance.now() - began, status: response.status, text }
  }

  async signIn() {
    await this.ask('/api/session')
    const { status } = await this.ask('/api/session', 'POST', { signIn: name, password })
    if (status !== 200) throw new Error(`Signing in answered ${status}.`)
  }
}

const at = path => `/api/i/${address}/${path}`
const took = new Map()
const statuses = new Map()
const noted = (path, { took: ms, status }) => {
  const of = path.replace(/=.*/, '=…')
  took.set(of, [...(took.get(of) ?? []), ms])
  statuses.set(status, (statuses.get(status) ?? 0) + 1)
}
const rest = ms => new Promise(resolve => setTimeout(resolve, ms))

/** What pages ask for when something is new, and how often at most (ms): where they call useLive. */
const LEFT = { every: 20_000, path: () => 'outstanding' }
const PAGES = [
  [LEFT, { every: 5000, path: cursor => `schedule?since=${cursor}`, begins: 'schedule' }],
  [LEFT, { every: 15_000, path: cursor => `site/since/${cursor}`, begins: 'site' }],
  [
    LEFT,
    { every: 4000, path: () => 'tests/progress' },
    { every: 4000, path: cursor => `schedule?since=${cursor}`, begins: 'schedule' },
  ],
  [LEFT, { every: 10_000, path: () => 'bench' }],
]

async function poll(until, page) {
  const client = new Client()
  await client.signIn()
  const shown = []
  for (const each of page) {
    const { text } = each.begins ? await client.ask(at(each.begins)) : { text: '{}' }
    shown.push({ ...each, cursor: JSON.parse(text).cursor, asked: Date.now(), known: '' })
  }
  await rest(Math.random() * PAUSE)
  while (Date.now() < until()) {
    const since = await client.ask(at('since'))
    noted('since', since)
    for (const each of shown) {
      // Asked a little early, it would wait another round.
      if (since.text === each.known || Date.now() - each.asked < each.every - PAUSE / 2) continue
      const path = each.path(each.cursor)
      const answer = await client.ask(at(path))
      noted(path.replace(/(since[=/]).*/, '$1…'), answer)
      if (each.begins) each.cursor = JSON.parse(answer.text).cursor
      Object.assign(each, { known: since.text, asked: Date.now() })
    }
    await rest(PAUSE)
  }
}

async function record(until) {
  const client = new Client()
  await client.signIn()
  const { rows } = JSON.parse((await client.ask(at('schedule'))).text)
  for (let i = 0; Date.now() < until(); i++) {
    const run = rows[(i * 37) % rows.length].id
    const body = { id: crypto.randomUUID(), kind: 'labelled', run, on: [] }
    noted('events (a record)', await client.ask(at('events'), 'POST', body))
    await rest(EVERY)
  }
}

let end = Infinity
const until = () => end
const all = [record(until), ...Array.from({ length: Number(clients) }, (_, i) => poll(until, PAGES[i % PAGES.length]))]
end = Date.now() + Number(seconds) * 1000
await Promise.all(all)
const part = (sorted, share) => Math.round(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))])
const every = []
for (const [path, times] of took) {
  const sorted = times.toSorted((a, b) => a - b)
  every.push(...times)
  console.log(
    `${path.padEnd(22)} ${String(times.length).padStart(6)} answers, half in ${part(sorted, 0.5)} ms, ` +
      `95 of 100 in ${part(sorted, 0.95)} ms, the longest ${Math.round(sorted.at(-1))} ms`,
  )
}
const sorted = every.toSorted((a, b) => a - b)
console.log(`all: ${every.length} answers, p95 ${part(sorted, 0.95)} ms; by status`, Object.fromEntries(statuses))
