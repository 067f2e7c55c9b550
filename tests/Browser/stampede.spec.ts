import { execFileSync } from 'node:child_process'
import { hands } from './crew'
import { expect, test } from './house'
import { OwnServer } from './server'

const server = new OwnServer(63)
test.afterAll(() => {
  server.down()
})

/** Of each name that was written down, how often. */
const sql = (code: string) =>
  execFileSync('php', ['-r', `$pdo = new PDO(getenv('DSN'), getenv('DB_USERNAME'), getenv('DB_PASSWORD')); ${code}`], {
    env: { ...server.env, DSN: `pgsql:host=127.0.0.1;port=${process.env.DB_PORT};dbname=${server.env.DB_DATABASE}` },
  }).toString()
const COUNT =
  'create unlogged table made (name text); create function make() returns trigger as $f$ ' +
  'begin insert into made values (new.name); return new; end $f$ language plpgsql; ' +
  'create trigger made after insert or update of body on kept for each row execute function make();'

test('twenty ask at once for what nobody has made: it is made once, and all are told the same', async () => {
  test.setTimeout(180_000)
  server.fresh()
  await server.up()
  sql(`$pdo->exec('${COUNT}');`)
  const lead = await hands('lead@brackwater.example', undefined, server.base)
  // What each page is kept under.
  const pages = {
    site: 'answer site?',
    handover: 'answer handover?',
    'parts?scope=installation&brief=1': 'answer parts?brief=1&scope=installation',
    schedule: 'schedule',
    bench: 'jobs',
    outstanding: 'outstanding',
  }
  for (const page of Object.keys(pages)) {
    const answers = await Promise.all(
      Array.from({ length: 20 }, async () => (await lead.get(`/api/${page}`, { timeout: 120_000 })).text()),
    )
    expect(new Set(answers).size, page).toBe(1)
  }
  const made = JSON.parse(
    sql("echo json_encode($pdo->query('select name, count(*) from made group by 1')->fetchAll(PDO::FETCH_KEY_PAIR));"),
  ) as Record<string, number>
  const counted = Object.fromEntries(Object.values(pages).map(name => [name, made[name]]))
  expect(counted).toEqual(Object.fromEntries(Object.values(pages).map(name => [name, 1])))
})
