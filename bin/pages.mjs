/**
 * Lays out the pages: their script and style as any other, and in their templates every tag that makes a line too wide
 * with an attribute a line. Nothing is broken between elements or in their text: the compiler would drop a space there.
 *   node bin/pages.mjs            writes
 *   node bin/pages.mjs --check    fails where something would be written
 */
import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import * as prettier from 'prettier'

const WIDE = 120
const WIDEST = 160
const check = process.argv.includes('--check')
const files = execFileSync('git', ['ls-files', '*.vue'], { encoding: 'utf8' }).split('\n').filter(Boolean)
const options = await prettier.resolveConfig('resources/js/main.ts')

/** Where the start tags of a template lie, with where their attributes do; strings may hold any mark. */
function tags(text) {
  const found = []
  for (let i = 0; i < text.length; i++) {
    if (text.startsWith('<!--', i)) {
      i = text.indexOf('-->', i) + 2
      continue
    }
    if (text.startsWith('{{', i)) {
      i = text.indexOf('}}', i) + 1
      continue
    }
    if (text[i] !== '<' || !/[a-zA-Z]/.test(text[i + 1] ?? '')) continue
    let at = i + 1
    while (/[\w.:-]/.test(text[at])) at++
    const attributes = []
    for (;;) {
      while (/\s/.test(text[at])) at++
      if (text[at] === '>' || text.startsWith('/>', at)) break
      const from = at
      while (at < text.length && !/[\s>]/.test(text[at]) && !text.startsWith('/>', at)) {
        const quote = text[at]
        if (quote === '"' || quote === "'") at = text.indexOf(quote, at + 1)
        at++
      }
      attributes.push([from, at])
    }
    const end = at + (text[at] === '>' ? 1 : 2)
    found.push({ from: i, attributes, end })
    i = end - 1
  }
  return found
}

/** Breaks the tag that helps most, again and again, as long as a line is too wide and one helps. */
function broken(template) {
  let text = template
  const left = new Set()
  for (;;) {
    let at = 0
    let best = null
    for (const line of text.split('\n')) {
      const [from, to] = [at, at + line.length]
      at = to + 1
      if (line.length <= WIDE || left.has(line)) continue
      for (const tag of tags(text)) {
        const here = tag.attributes.filter(([begins]) => begins > from && begins < to)
        // One that stands on a line of its own cannot be broken further.
        if (tag.attributes.length < 2 || here.length < (tag.from < from ? 2 : 1)) continue
        if (!best || tag.end - tag.from > best.tag.end - best.tag.from) {
          best = { tag, line: text.slice(text.lastIndexOf('\n', tag.from) + 1, to) }
        }
      }
      if (best) break
      left.add(line)
    }
    if (!best) return text
    const { tag, line } = best
    const indent = ' '.repeat(line.length - line.trimStart().length + 2)
    const open = text.slice(tag.from, tag.attributes[0][0]).trimEnd()
    const attributes = tag.attributes.map(([from, to]) => indent + text.slice(from, to))
    const close = text.slice(tag.attributes.at(-1)[1], tag.end).trim()
    const tagged = `${open}\n${attributes.join('\n')}${close === '/>' ? ' />' : close}`
    text = text.slice(0, tag.from) + tagged + text.slice(tag.end)
  }
}

/** Tags first, then where tags meet, then within expressions: the finer the break, the wider the line it is for. */
const laid = template => wrapped(wrapped(broken(template), boundaries, WIDE), joints, WIDEST)

/** Where one tag follows another at once: the compiler takes a line's end there for nothing. */
function boundaries(text) {
  const found = []
  for (let i = 0; i < text.length; i++) {
    if (text.startsWith('{{', i)) {
      i = text.indexOf('}}', i) + 1
      continue
    }
    if (text.startsWith('<!--', i)) {
      i = text.indexOf('-->', i) + 2
      continue
    }
    if (text[i] !== '<' || !/[a-zA-Z/]/.test(text[i + 1] ?? '')) continue
    if (i > 0 && text[i - 1] === '>') found.push(i)
    // To the end of this tag, whatever its strings hold.
    while (text[i] !== '>') {
      if (text[i] === '"' || text[i] === "'") i = text.indexOf(text[i], i + 1)
      i++
    }
  }
  return found
}

/** Where an expression in a template can be continued on the next line: before an operator, after a comma. */
function joints(text) {
  const found = []
  const within = (from, to, outer) => {
    let quote = ''
    for (let i = from; i < to; i++) {
      const mark = text[i]
      if (quote) {
        if (mark === '\\') i++
        else if (mark === quote) quote = ''
        continue
      }
      if ((mark === '"' || mark === "'" || mark === '`') && mark !== outer) quote = mark
      else if (mark === ' ' && /^ (?:\?|:|&&|\|\||\?\?|\+) /.test(text.slice(i, i + 4))) found.push(i)
      else if (mark === ' ' && text[i - 1] === ',') found.push(i)
    }
  }
  for (let i = text.indexOf('{{'); i >= 0; i = text.indexOf('{{', i + 2)) within(i + 2, text.indexOf('}}', i), '')
  for (const tag of tags(text)) {
    for (const [from, to] of tag.attributes) {
      const isBound = /^(?:[:@#]|v-)/.test(text.slice(from, to)) && text[to - 1] === '"'
      if (isBound) within(text.indexOf('"', from) + 1, to - 1, '"')
    }
  }
  return found.sort((a, b) => a - b)
}

/** Breaks wide lines at the last of some places before the edge, as long as that makes them narrower. */
function wrapped(template, places, limit) {
  let text = template
  for (;;) {
    const may = places(text)
    let at = 0
    let cut = -1
    let indent = ''
    for (const line of text.split('\n')) {
      const [from, to] = [at, at + line.length]
      at = to + 1
      const margin = line.length - line.trimStart().length
      if (line.length <= limit) continue
      const own = may.filter(place => place > from + margin + 8 && place < to)
      const fit = own.filter(place => place - from <= WIDE)
      if (own.length === 0) continue
      cut = fit.at(-1) ?? own[0]
      indent = ' '.repeat(/^\s*(?:[?:+]|&&|\|\||\?\?|<\/)/.test(line) ? margin : margin + 2)
      // A break that only moves the line leaves it as wide.
      if (to - cut + indent.length >= line.length) {
        cut = -1
        continue
      }
      break
    }
    if (cut < 0) return text
    const rest = text.slice(cut).replace(/^ /, '')
    text = `${text.slice(0, cut)}\n${indent}${rest}`
  }
}

let differ = 0
for (const file of files) {
  const source = readFileSync(file, 'utf8')
  const script = /(<script setup lang="ts">\n)([\s\S]*?)(<\/script>)/.exec(source)
  let made = source
  if (script) {
    const code = await prettier.format(script[2], { ...options, parser: 'typescript' })
    made = source.replace(script[0], () => script[1] + code + script[3])
  }
  const style = /(<style scoped>\n)([\s\S]*?)(<\/style>)/.exec(made)
  if (style) {
    const rules = await prettier.format(style[2], { ...options, parser: 'css' })
    made = made.replace(style[0], () => style[1] + rules + style[3])
  }
  const template = /(^<template>\n)([\s\S]*?)(^<\/template>)/m.exec(made)
  if (template) made = made.replace(template[0], () => template[1] + laid(template[2]) + template[3])
  if (made === source) continue
  differ++
  console.log(file)
  if (!check) writeFileSync(file, made)
}
process.exit(check && differ > 0 ? 1 : 0)
