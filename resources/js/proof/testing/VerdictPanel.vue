<script setup lang="ts">
import type { Entry, Fault, Judgement, NextReading, TestSheet, Trouble, Value, VerdictWord } from '../../api/test'
import { point, said } from './reading'
import { many } from '../../ui/words'

/** What the reading comes to, what would explain it, which end to open, and what to read next. */
const props = defineProps<{
  judgement: Judgement | null
  provisional: VerdictWord | null
  read: number
  all: number
  map: boolean
  begun: boolean
  sheet: TestSheet
}>()
defineEmits<{ next: [method: string, at: string, state: string] }>()
const where = (fault: Fault) => (fault.side ? `end ${fault.side}` : '')
/** Causes of one trouble that differ only in where. */
const ends = (causes: Fault[][]) =>
  [
    ...new Set(
      causes
        .filter(cause => cause.length === causes[0]?.length)
        .flat()
        .map(where),
    ),
  ].filter(Boolean)
/** What it does to the signal, where that is not what the first one does. */
const differs = (trouble: Trouble, cause: Fault[]) =>
  cause.some(
    fault => fault.consequence !== '' && !trouble.causes[0]!.some(first => first.consequence === fault.consequence),
  )
const asked = (trouble: Trouble) =>
  trouble
    .next!.at.split('#')[0]!
    .split('|')
    .map(node => point(node, props.sheet))
    .join(' – ')
const reads = (next: NextReading, value: Value) =>
  said(value, next.unit, props.sheet, props.sheet.cards[next.method]?.beyond)
const untold = (trouble: Trouble) => {
  const of = ends(trouble.causes)
  return of.length > 1
    ? `Nothing at the terminals tells ${of.join(' from ')}: look at the core colours of the opened end.`
    : 'Nothing at the terminals tells these apart.'
}
const words = (cause?: Fault[]) => cause?.map(fault => fault.words).join(', and ') ?? ''
/** Of an entry what is named: at the end that is to be opened first, where it is known. */
const of = (trouble: Trouble, { causes }: Entry) => {
  const known = causes.map(i => trouble.causes[i]!)
  return known.find(cause => trouble.open && cause.every(fault => fault.side === trouble.open!.side)) ?? known[0] ?? []
}
/** The others of it, each said once: two cores of one colour are said in the same words. */
const alike = (trouble: Trouble, entry: Entry) =>
  [...new Set(entry.causes.map(i => words(trouble.causes[i])))].filter(each => each !== words(of(trouble, entry)))
/** Entries of one trouble that are shown. */
const SHOWN = 8
/** Entries of which something is listed, the likeliest first. */
const listed = (trouble: Trouble) => trouble.entries.filter(each => each.causes.length)
const first = (trouble: Trouble) => listed(trouble)[0]!
const names = (trouble: Trouble, causes: number[]) =>
  causes
    .slice(0, 2)
    .map(i => words(trouble.causes[i]))
    .filter(Boolean)
    .join('; or ') + (causes.length > 2 ? `; or ${causes.length - 2} more` : '')
</script>

<template>
  <section aria-live="polite" class="verdict">
    <template v-if="!judgement">
      <p
        v-if="provisional && provisional !== 'incomplete'"
        class="big"
        :class="provisional">{{ { passes: 'Passes', fails: 'Fails', incomplete: '' }[provisional] }}</p>
      <p
        v-if="provisional && provisional !== 'incomplete'"
        class="quiet">As far as this device can tell; the server decides when it hears of it.</p>
      <p
        v-else
        class="big quiet">{{ read && map ? `${all - read} to go` : read || begun ? 'Not all of it yet'
          : 'Nothing read yet' }}</p>
    </template>
    <template v-else>
      <p
        class="big"
        :class="judgement.verdict">{{ { passes: 'Passes', fails: 'Fails', incomplete: map && all > read
          ? `${all - read} to go` : 'Not all of it yet' }[judgement.verdict] }}</p>
      <p
        v-if="judgement.verdict === 'fails' && map && judgement.unread"
        class="quiet">{{ many(judgement.unread, 'line is', 'lines are') }} not read yet.</p>
      <p
        v-if="judgement.missing.length && (judgement.verdict !== 'incomplete' || all === read || !map)"
        class="quiet">Not done, or not all of it: {{ judgement.missing.map(each => each.words).join(', ') }}.</p>
      <ul
        v-if="judgement.domains.length"
        aria-label="Signal and mains"><li
          v-for="each in judgement.domains"
          :key="each.domain">{{ { signal: 'Signal', mains: 'Mains' }[each.domain] }}:
          <b :class="each.verdict">{{ { passes: 'passes', fails: 'fails', incomplete: each.domain === 'mains'
            ? 'to be read by a licensed person' : 'to be read' }[each.verdict] }}</b>{{
            each.by ? `, as ${each.by} recorded` : '' }}</li></ul>
      <p v-for="over in judgement.over" :key="over"><b>Over its limit:</b> {{ over }}.</p>
      <article v-for="(trouble, i) in judgement.troubles" :key="i" :aria-label="`Trouble ${i + 1}`">
        <template v-if="trouble.causes[0]">
          <p
            v-for="fault in of(trouble, first(trouble))"
            :key="fault.words"><b>{{ fault.words }}.</b> {{ fault.consequence }}</p>
          <p
            v-if="of(trouble, first(trouble)).length > 1 && first(trouble).of > 1"
            class="quiet">Or faults of the same sort elsewhere: {{ first(trouble).of }} ways read so.</p>
          <p
            v-else-if="alike(trouble, first(trouble)).length"
            class="quiet">Or, which nothing measured from outside tells from it:
            {{ alike(trouble, first(trouble)).slice(0, 4).join('; or ') }}{{
              alike(trouble, first(trouble)).length > 4
                ? `; or ${alike(trouble, first(trouble)).length - 4} more` : '' }}.</p>
          <template v-if="trouble.causes.length > 1">
            <template v-if="trouble.entries.length > 1">
              <h2>Reads the same</h2>
              <ul><li
                v-for="entry in listed(trouble).slice(1, SHOWN)"
                :key="entry.causes[0]">{{ words(of(trouble, entry)) }}<template
                  v-if="entry.of > 1">, or another of {{ entry.of }} like it</template><span
                  v-if="differs(trouble, of(trouble, entry))"
                  class="quiet">: {{ of(trouble, entry).map(fault => fault.consequence).filter(Boolean)
                    .join(' ') }}</span></li></ul>
              <p
                v-if="trouble.entries.length > Math.min(SHOWN, listed(trouble).length)"
                class="quiet">and {{ trouble.entries.length - Math.min(SHOWN, listed(trouble).length) }} more</p>
            </template>
            <template v-if="trouble.next">
              <h2>Read next</h2>
              <p v-if="trouble.next.at"><b>{{ trouble.next.words }}</b> <button
                type="button"
                class="mono"
                @click="$emit('next', trouble.next.method, trouble.next.at,
                              trouble.next.state)">{{ asked(trouble) }}</button>
              </p>
              <ul v-if="trouble.next.at" class="answers"><li
                v-for="(answer, k) in trouble.next.answers"
                :key="k">
                <span class="mono">{{ reads(trouble.next, answer.value) }}</span>: {{
                  names(trouble, answer.causes) }}</li>
              </ul>
              <p v-else>
                <b>{{ trouble.next.words }}.</b> {{ untold(trouble) }}</p>
            </template>
            <p
              v-else-if="ends(trouble.causes).length > 1"
              class="quiet">{{ ends(trouble.causes).join(' or ') }}: nothing at the terminals tells them apart. Look at
              the core colours of an opened end.</p>
            <p v-else class="quiet">Nothing that is at hand tells them apart.</p>
            <p v-if="trouble.open">
              <b>Open end {{ trouble.open.side }} first, {{ trouble.open.fitting }}:</b>
              {{ trouble.open.reasons.join('; ') }}.</p>
            <p v-else-if="ends(trouble.causes).length > 1">
              <b>Open either end first:</b> neither was joined last, has fewer joints or a note of its own.</p>
          </template>
        </template>
        <template v-else-if="trouble.partly">
          <p v-for="each in trouble.partly.words" :key="each"><b>{{ each }}.</b></p>
          <p>That explains {{ trouble.partly.explained }} of {{ trouble.partly.wrong }} readings that are wrong, and
            nothing that was tried explains them all.</p>
          <h2>Read next</h2>
          <p>Open {{ trouble.partly.side ? `end ${trouble.partly.side}` : 'one end' }}, put right what is named here,
            and read the map again: what is left then is less.</p>
        </template>
        <p v-else>
          <b>Nothing that was tried reads like this.</b> Read the lines again; then open both ends and compare the core
          colours with the run's page.</p>
      </article>
    </template>
  </section>
</template>

<style scoped>
.big {
  font-size: 26px;
  font-weight: 700;
  margin: 0;
}
.big.quiet {
  font-size: 18px;
}
.fails {
  color: var(--flux);
}
.passes {
  color: var(--verdigris);
}
article {
  border-top: 1px solid var(--line);
  padding-top: 6px;
  margin-top: 8px;
}
p {
  margin: 4px 0;
}
ul {
  margin: 0;
  padding-left: 16px;
  font-size: 13px;
}
h2 {
  margin: 8px 0 2px;
}
button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 2px;
}
button:focus-visible {
  outline: 2px solid var(--copper);
}
</style>
