import { hands, newcomer } from './crew'
import { type APIRequestContext, expect, house, test } from './house'
import { OwnServer } from './server'

const TESTERS = 30
const EACH = 2
const server = new OwnServer(61, house)
test.afterEach(() => {
  server.down()
})

/** Sends the same record again, under the same id, until somebody says that it is there. */
async function insist(who: APIRequestContext, body: Record<string, unknown>, acknowledged: Set<string>): Promise<void> {
  for (let attempt = 0; attempt < 200; attempt++) {
    const answer = await who.post('/api/events', { data: body, timeout: 60_000 }).catch(() => null)
    if (answer?.status() === 201 || answer?.status() === 200) {
      acknowledged.add(body.id as string)
      return
    }
    if (answer && answer.status() < 500) throw new Error(`${answer.status()}: ${await answer.text()}`)
    await new Promise(resolve => setTimeout(resolve, 250))
  }
  throw new Error('nobody answered')
}

test('thirty testers at once, the server killed in the middle: each acknowledged result is there once', async () => {
  test.setTimeout(600_000)
  await server.up()
  const lead = await hands('lead@brackwater.example', undefined, server.base)
  const crew: APIRequestContext[] = []
  for (let n = 0; n < TESTERS; n++) {
    const person = { signIn: `tester-${n}@x.example`, name: `Tester ${n}`, roles: ['tester'], skills: [] }
    crew.push(await newcomer(lead, person, server.base))
  }
  const runs = ['C-422', 'C-423', 'C-424', 'C-425', 'C-426']
  const expected = Object.fromEntries(
    await Promise.all(
      runs.map(async run => [
        run,
        ((await (await lead.get(`/api/runs/${run}/test`)).json()) as { expected: unknown }).expected,
      ]),
    ),
  )
  const acknowledged = new Set<string>()
  const sent: string[] = []
  const work = crew.map(async (who, n) => {
    for (let i = 0; i < EACH; i++) {
      const run = runs[(n + i) % runs.length]!
      const id = crypto.randomUUID()
      sent.push(id)
      const body = {
        ...{ id, kind: 'tested', run, at: new Date().toISOString(), instrument: 'Wire-map tester 1' },
        reading: { lights: expected[run], splits: [] },
      }
      await insist(who, body, acknowledged)
      // Some answers are lost on the way back: they are sent once more, though they are there already.
      if (i % 2 === 0) await insist(who, body, acknowledged)
    }
  })
  const all = Promise.all(work)
  // Two blows while they are at it.
  for (const share of [0.25, 0.6]) {
    await expect(async () => {
      expect(acknowledged.size).toBeGreaterThan(TESTERS * EACH * share)
    }).toPass({ timeout: 240_000 })
    server.down()
    await new Promise(resolve => setTimeout(resolve, 700))
    await server.up()
  }
  await all
  expect(acknowledged.size).toBe(TESTERS * EACH)
  const file = (await (await lead.get('/api/installation.json')).json()) as { record: { id: string }[] }
  const times = new Map<string, number>()
  for (const event of file.record) times.set(event.id, (times.get(event.id) ?? 0) + 1)
  for (const id of sent) expect(times.get(id), id).toBe(1)
  await Promise.all([...crew, lead].map(each => each.dispose()))
})
