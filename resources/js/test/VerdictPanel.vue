<script setup lang="ts">
import type { Fault, Judgement } from '../api/types'

defineProps<{ judgement: Judgement | null, read: number, all: number }>()
const where = (fault: Fault) => fault.side ? `end ${fault.side}` : ''
/** Causes of one trouble that differ only in where: nothing at the terminals can part them. */
const ends = (causes: Fault[][]) => [...new Set(causes.filter(cause => cause.length === causes[0]?.length).flat().map(where))].filter(Boolean)
</script>

<template>
  <section aria-live="polite" class="verdict">
    <template v-if="!judgement"><p class="big quiet">Nothing read yet</p></template>
    <template v-else>
      <p class="big" :class="judgement.verdict">{{ { passes: 'Passes', fails: 'Fails', incomplete: `${all - read} to go` }[judgement.verdict] }}</p>
      <p v-if="judgement.verdict === 'fails' && judgement.unread" class="quiet">{{ judgement.unread }} lines are not read yet.</p>
      <article v-for="(trouble, i) in judgement.troubles" :key="i" :aria-label="`Trouble ${i + 1}`">
        <template v-if="trouble.causes[0]">
          <p v-for="fault in trouble.causes[0]" :key="fault.words"><b>{{ fault.words }}.</b> {{ fault.consequence }}</p>
          <template v-if="trouble.causes.length > 1">
            <h2>Reads the same</h2>
            <ul><li v-for="(cause, k) in trouble.causes.slice(1, 8)" :key="k">{{ cause.map(fault => fault.words).join(', and ') }}</li></ul>
            <p v-if="trouble.causes.length > 8 || trouble.more" class="quiet">and {{ trouble.causes.length - 8 + trouble.more }} more</p>
            <p v-if="ends(trouble.causes).length > 1" class="quiet">{{ ends(trouble.causes).join(' or ') }}: nothing at the terminals tells them apart. Look at the core colours of an opened end.</p>
            <p v-if="trouble.open"><b>Open end {{ trouble.open.side }} first, {{ trouble.open.fitting }}:</b> {{ trouble.open.reasons.join('; ') }}.</p>
          </template>
        </template>
        <p v-else><b>Nothing that was tried reads like this.</b> Read the lines again; then open both ends and compare the core colours with the run's page.</p>
      </article>
    </template>
  </section>
</template>

<style scoped>
.big { font-size: 26px; font-weight: 700; margin: 0 }
.big.quiet { font-size: 18px }
.fails { color: var(--flux) }
.passes { color: var(--verdigris) }
article { border-top: 1px solid var(--line); padding-top: 6px; margin-top: 8px }
p { margin: 4px 0 }
ul { margin: 0; padding-left: 16px; font-size: 13px }
h2 { margin: 8px 0 2px }
</style>
