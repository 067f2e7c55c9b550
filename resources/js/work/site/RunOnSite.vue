<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SiteRun, SiteStep } from '../../api/site'
import Strand from '../../ui/Strand.vue'
import WorkedSum from '../../ui/WorkedSum.vue'
import { length } from '../../ui/units'

/** One cable on site: what comes next under one thumb, the rest a tap away. */
const props = defineProps<{
  run: SiteRun
  steps: SiteStep[]
  ways: { id: string; name: string }[]
  lead: string
  open: boolean
  mayConfirm: boolean
}>()
const emit = defineEmits<{
  confirm: [string, { length?: string; ways?: string[] } | undefined]
  back: [string]
  toggle: []
}>()
const own = computed(() => props.steps.filter(step => step.id in props.run.steps))
const next = computed(() => own.value.find(step => props.run.steps[step.id] !== 'done'))
const measured = ref('')
const otherWays = ref<string[]>([])
const elsewhere = ref(false)
const nameOf = (way: string) => props.ways.find(each => each.id === way)?.name ?? way
/** What is known of how it lies goes with the step that it is seen at. */
const LAID = ['pulled', 'dressed', 'trimmed', 'in-place']
function confirm(step: SiteStep) {
  const built = {
    ...(measured.value.trim() && LAID.includes(step.id)
      ? { length: /[a-z"']/i.test(measured.value) ? measured.value.trim() : `${measured.value.trim()} m` }
      : {}),
    ...(elsewhere.value && otherWays.value.length && LAID.includes(step.id) ? { ways: otherWays.value } : {}),
  }
  emit('confirm', step.id, Object.keys(built).length ? built : undefined)
  measured.value = ''
}
</script>

<template>
  <li class="run" :class="{ open, done: !next }">
    <div class="line">
      <button type="button" class="what" :aria-expanded="open" @click="emit('toggle')">
        <b class="mono">{{ run.code }}</b>
        <small>{{ run.ends.A || 'bare' }} – {{ run.ends.B || 'bare' }}<template v-if="lead"> · end {{ lead }} goes
          first</template>
        </small><Strand :beads="run.strand" />
      </button>
      <router-link
        v-if="next?.id === 'tested'"
        class="go"
        :to="`/test/${encodeURIComponent(run.id)}?stage=installed`">Test it</router-link>
      <router-link
        v-else-if="!run.ready"
        class="bench"
        :to="`/bench/${encodeURIComponent(run.id)}`">at the bench</router-link>
      <button
        v-else-if="next && mayConfirm"
        type="button"
        class="go"
        :class="{ again: run.steps[next.id] === 'overtaken' }"
        @click="confirm(next)">{{ run.steps[next.id] === 'overtaken' ? 'Again: ' : '' }}{{ next.said }}</button>
      <span v-else-if="!next" class="all">done</span>
    </div>
    <div v-if="open" class="more">
      <ul class="steps">
        <li v-for="step in own" :key="step.id" :class="run.steps[step.id]">
          <span>{{ step.words }}<em v-if="run.steps[step.id] === 'overtaken'"> overtaken by a change</em>
            <em v-if="run.steps[step.id] === 'failed'"> failed</em></span>
          <template v-if="step.id === 'tested'" />
          <button
            v-else-if="run.steps[step.id] === 'done' && mayConfirm"
            type="button"
            class="small"
            @click="emit('back', step.id)">take back</button>
          <button
            v-else-if="mayConfirm"
            type="button"
            class="small"
            @click="confirm(step)">{{ step.said.toLowerCase().replace('end a', 'end A').replace('end b',
                                                                                                'end B') }}</button>
        </li>
      </ul>
      <details><summary>Planned {{ length(run.cut.result) }} of {{ run.cable }}</summary><WorkedSum :worked="run.cut" />
      </details>
      <p
        v-if="run.built"
        class="built">As built: <template v-if="run.built.length">
          <b class="mono">{{ run.built.length.endsWith(' mm') ? length(run.built.length) : run.built.length }}</b>
          <template v-if="run.built.difference"> ({{ length(run.built.difference) }} against the plan)</template>
        </template><template v-if="run.built.ways"> through {{ run.built.ways.map(nameOf).join(', ') }}</template>
      </p>
      <div v-if="mayConfirm" class="as">
        <label>Its real length, goes with the next step <input
          v-model="measured"
          inputmode="decimal"
          :aria-label="`Real length of ${run.code}`"
          placeholder="12.4 m"></label>
        <label class="check"><input v-model="elsewhere" type="checkbox"> It lies in other ways than planned</label>
        <select
          v-if="elsewhere"
          v-model="otherWays"
          multiple
          :aria-label="`Ways of ${run.code}`"><option
            v-for="way in ways"
            :key="way.id"
            :value="way.id">{{ way.name }}</option></select>
      </div>
      <p><router-link :to="`/runs/${encodeURIComponent(run.id)}`">All about it</router-link></p>
    </div>
  </li>
</template>

<style scoped>
.run {
  border-top: 1px solid var(--line);
  list-style: none;
}
.run.open {
  background: var(--surface);
}
.line {
  display: flex;
  align-items: stretch;
  gap: 8px;
}
.what {
  all: unset;
  flex: 1;
  min-width: 0;
  cursor: pointer;
  display: grid;
  grid-template-columns: 72px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
  padding: 8px 4px;
  min-height: 44px;
  box-sizing: border-box;
}
.what:focus-visible,
.go:focus-visible,
.small:focus-visible {
  outline: 2px solid var(--copper);
}
small {
  color: var(--slate);
  line-height: 1.2;
  overflow: hidden;
  text-overflow: ellipsis;
}
.go {
  all: unset;
  cursor: pointer;
  box-sizing: border-box;
  align-self: center;
  min-width: 108px;
  text-align: center;
  background: var(--verdigris);
  color: var(--paper);
  border-radius: 4px;
  padding: 10px 10px;
  font-weight: 600;
  font-size: 14px;
  line-height: 1.15;
  text-decoration: none;
}
a.go {
  background: none;
  border: 1.5px solid var(--verdigris);
  color: var(--verdigris);
}
.go.again {
  background: var(--warn);
  color: var(--ink);
  box-shadow: inset 0 0 0 1.5px var(--amber);
}

.bench {
  align-self: center;
  min-width: 108px;
  text-align: center;
  color: var(--slate);
}
.all {
  align-self: center;
  color: var(--verdigris);
  font-weight: 600;
  padding: 0 10px;
  min-width: 88px;
  text-align: center;
}
.more {
  padding: 2px 4px 10px;
}
.steps {
  padding: 0;
  margin: 0 0 8px;
  display: grid;
  gap: 2px;
}
.steps li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  list-style: none;
  padding: 2px 0 2px 22px;
  position: relative;
  min-height: 36px;
}
.steps li::before {
  content: '';
  position: absolute;
  left: 4px;
  top: 50%;
  width: 8px;
  height: 8px;
  border-radius: 50%;
  border: 1.5px solid var(--quiet);
  transform: translateY(-50%);
}
.steps li.done::before {
  background: var(--verdigris);
  border-color: var(--verdigris);
}
.steps li.overtaken::before {
  border-color: var(--amber);
  box-shadow:
    0 0 0 3px var(--paper),
    0 0 0 4.5px var(--amber);
}
.steps li.failed::before {
  background: var(--flux);
  border-color: var(--flux);
  border-radius: 0;
}
em {
  color: var(--amber);
  font-style: normal;
}
.small {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 2px;
  padding: 8px;
}
.as {
  display: grid;
  gap: 6px;
  font-size: 13px;
}
.as input:not([type='checkbox']),
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 8px;
  background: var(--paper);
  color: inherit;
  font: inherit;
  width: 110px;
}
.as select {
  width: 100%;
  min-height: 120px;
}
.built {
  margin: 4px 0;
}
summary {
  cursor: pointer;
  color: var(--slate);
  padding: 4px 0;
}
.more p {
  margin: 6px 0 0;
}
@media (max-width: 480px) {
  .what {
    grid-template-columns: 66px minmax(0, 1fr);
  }
  .what :deep(.strand) {
    grid-column: 1 / -1;
    width: 104px;
    height: auto;
  }
}
</style>
