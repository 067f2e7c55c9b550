/** Holds how wide a line may be: 120 columns in PHP, TypeScript, Vue and scripts, sentences included. */
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'

const WIDEST = 120
const files = execFileSync('git', ['ls-files', '*.php', '*.ts', '*.mjs', '*.vue'], { encoding: 'utf8' })
  .split('\n')
  .filter(Boolean)
let lines = 0
const wide = []
for (const file of files) {
  readFileSync(file, 'utf8')
    .split('\n')
    .forEach((line, i) => {
      lines++
      if (line.length > WIDEST) wide.push(`${file}:${i + 1}: ${line.length} columns`)
    })
}
console.log(`${wide.length} of ${lines} lines are over ${WIDEST} columns`)
for (const each of wide.slice(0, 40)) console.log(each)
process.exit(wide.length > 0 ? 1 : 0)
