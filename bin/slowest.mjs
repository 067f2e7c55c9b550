/** What took longest when it last ran: bin/test slow */
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

const folder = process.argv[2]
const SHOWN = 40
const found = []

for (const name of ['core', 'core-half', 'core-rest', 'feature', 'feature-half', 'feature-rest']) {
  const file = join(folder, `${name}.xml`)
  if (!existsSync(file)) continue
  const suite = name.split('-')[0]
  for (const [, attributes] of readFileSync(file, 'utf8').matchAll(/<testcase ([^>]*)>/g)) {
    const of = name => attributes.match(new RegExp(`(?:^| )${name}="([^"]*)"`))?.[1] ?? ''
    found.push({ seconds: Number(of('time')), suite, name: `${of('class').split('\\').pop()} ${of('name')}` })
  }
}

function browser(suite) {
  for (const spec of suite.specs ?? []) {
    const ms = spec.tests.flatMap(test => test.results).reduce((sum, result) => sum + result.duration, 0)
    found.push({ seconds: ms / 1000, suite: 'browser', name: `${spec.file} ${spec.title}` })
  }
  for (const inner of suite.suites ?? []) browser(inner)
}
const played = join(folder, 'browser.json')
if (existsSync(played)) for (const suite of JSON.parse(readFileSync(played, 'utf8')).suites) browser(suite)

const scripted = join(folder, 'script.json')
if (existsSync(scripted)) {
  for (const file of JSON.parse(readFileSync(scripted, 'utf8')).testResults) {
    for (const test of file.assertionResults)
      found.push({ seconds: (test.duration ?? 0) / 1000, suite: 'script', name: test.fullName })
  }
}

if (found.length === 0) {
  console.log('Nothing has run yet: bin/test first.')
  process.exit(1)
}
found.sort((a, b) => b.seconds - a.seconds)
const all = found.reduce((sum, each) => sum + each.seconds, 0)
console.log(`${found.length} tests, ${all.toFixed(0)} s one after the other; the slowest:`)
for (const each of found.slice(0, SHOWN))
  console.log(`${each.seconds.toFixed(1).padStart(7)} s  ${each.suite.padEnd(8)} ${each.name}`)
