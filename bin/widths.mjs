/**
 * Holds how wide a line may be: 160 columns, and 120 where it can be helped. A sentence in one string is not broken,
 * nor is a line of a docblock that says a shape, nor running text of a template: the compiler drops a space between
 * elements where a line is broken.
 */
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'

const WIDE = 120
const WIDEST = 160
/** Lines over 120 columns, of all that there are: fewer is better, more is not allowed. */
const SUFFERED = 0.0015
const files = execFileSync('git', ['ls-files', '*.php', '*.ts', '*.mjs', '*.vue'], { encoding: 'utf8' })
  .split('\n')
  .filter(Boolean)
/** What is one string, a template's text or a comment for most of its width is a sentence. */
const isSentence = (line, file) => {
  if (file.endsWith('.vue') && line.replace(/<[^>]*>/g, '').trim().length > 60) return true
  const longest = Math.max(
    0,
    ...[...line.matchAll(/'(?:[^'\\]|\\.)*'|"(?:[^"\\]|\\.)*"|`(?:[^`\\]|\\.)*`/g)].map(found => found[0].length),
  )
  return longest > 60 || /^\s*(\*|\/\/|\/\*|<!--|#)/.test(line)
}
let lines = 0
let wide = 0
const bad = []
for (const file of files) {
  readFileSync(file, 'utf8')
    .split('\n')
    .forEach((line, i) => {
      lines++
      if (line.length <= WIDE) return
      wide++
      if (line.length > WIDEST && !isSentence(line, file)) bad.push(`${file}:${i + 1}: ${line.length} columns`)
    })
}
console.log(`${wide} of ${lines} lines are over ${WIDE} columns, ${bad.length} over ${WIDEST} without being a sentence`)
for (const each of bad.slice(0, 40)) console.log(each)
if (wide > lines * SUFFERED) console.log(`That is more than ${SUFFERED * 100} %.`)
process.exit(bad.length > 0 || wide > lines * SUFFERED ? 1 : 0)
