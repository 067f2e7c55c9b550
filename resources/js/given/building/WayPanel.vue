<script setup lang="ts">
import { computed } from 'vue'
import type { Building, Way } from '../../api/building'
import { inWords, length, short } from '../../ui/units'
import FigureSum from '../../ui/FigureSum.vue'
import WhyNote from '../../plan/why/WhyNote.vue'

/** What lies in a way. */
const props = defineProps<{ way: Way; building: Building; edits: boolean }>()
defineEmits<{ edit: []; remove: [] }>()
const name = (id?: string) =>
  [...props.building.locations, ...props.building.junctions].find(each => each.part.id === id)?.part.name ??
  id ??
  'nowhere'
const part = computed(() => props.way.part)
const fill = computed(() => props.way.fill?.value ?? 0)
const wide = (percent: number) => `${Math.min(100, percent)}%`
const about = computed(() =>
  [
    part.value.inner
      ? part.value.inner.length === 1
        ? `⌀ ${short(part.value.inner[0]!)}`
        : part.value.inner.map(short).join(' × ')
      : 'size not stated',
    part.value.bends
      ? `${part.value.bends} ${part.value.bends === 1 ? 'bend' : 'bends'}` +
        (part.value.bendRadius ? ` of ${short(part.value.bendRadius)}` : '')
      : 'straight',
    ...(part.value.environment ?? []),
    part.value.takes === 'signal' ? 'no mains' : part.value.takes === 'mains' ? 'mains only' : '',
    part.value.fire && part.value.fire !== 'unrated' ? `fire class ${part.value.fire}` : '',
  ].filter(Boolean),
)
</script>

<template>
  <section class="panel">
    <h1>{{ part.name }}</h1>
    <p class="quiet">{{ part.kind }}, <b class="mono">{{ length(part.length) }}</b> ({{ part.measured ? 'measured' :
      'not measured yet' }}) from {{ name(part.from) }} to
      {{ name(part.to) }}<br>{{ about.join(' · ') }}</p>
    <p v-if="edits" class="acts"><v-btn
      size="small"
      variant="outlined"
      color="primary"
      @click="$emit('edit')">Edit</v-btn><v-btn
        size="small"
        variant="text"
        color="error"
        @click="$emit('remove')">Remove</v-btn></p>
    <WhyNote kind="way" :of="part.id" :name="part.name" />
    <template v-if="way.fill">
      <h2>How full</h2>
      <div
        class="fill"
        role="img"
        :aria-label="`${way.fill.text} full${way.rule ? `, limit ${way.rule.design} %` : ''}`">
        <i
          :class="{ over: way.rule && fill > way.rule.design, most: way.rule && fill > way.rule.most }"
          :style="{ width: wide(fill) }" />
        <b v-if="way.rule" :style="{ left: wide(way.rule.design) }" /><b
          v-if="way.rule && way.rule.most !== way.rule.design"
          class="top"
          :style="{ left: wide(way.rule.most) }" />
      </div>
      <FigureSum :figure="way.fill" strong />
      <p
        v-if="way.rule"
        class="quiet small">limit {{ way.rule.design }} %{{ way.rule.most !== way.rule.design
          ? `, at most ${way.rule.most} %` : '' }}: {{ way.rule.source }}</p>
    </template>
    <h2>What lies in it</h2>
    <p v-if="way.runs.length === 0" class="quiet">Nothing yet.</p>
    <template v-else>
      <p class="families"><span
        v-for="(count, family) in way.families"
        :key="family"><b class="mono">{{ count }}</b> {{ family }}</span></p>
      <dl>
        <template v-if="way.mass"><dt>weight</dt><dd><FigureSum :figure="way.mass" /></dd></template>
        <template v-if="way.bend"><dt>bend no tighter than</dt><dd><FigureSum :figure="way.bend" /></dd></template>
        <template v-if="way.jam"><dt>jam ratio</dt><dd><FigureSum :figure="way.jam" /></dd></template>
      </dl>
      <p class="runs"><router-link
        v-for="run in way.runs"
        :key="run.id"
        :to="`/runs/${run.id}`"
        class="mono"
        :title="run.pinned ? 'pinned to its ways'
          : 'takes the shortest permitted way'">{{ run.code }}<template v-if="run.pinned">*</template>
      </router-link></p>
      <p v-if="way.runs.some(run => run.pinned)" class="quiet small">* pinned to its ways by a planner</p>
    </template>
    <p
      v-for="finding in way.findings"
      :key="finding.words"
      class="note"
      :class="finding.severity">{{ inWords(finding.words) }} {{ inWords(finding.remedy) }}</p>
  </section>
</template>

<style scoped>
.fill {
  position: relative;
  height: 14px;
  background: var(--panel);
  border-radius: 3px;
  margin: 4px 0 6px;
}
.fill i {
  display: block;
  height: 100%;
  background: var(--verdigris);
  border-radius: 3px 0 0 3px;
}
.fill i.over {
  background: var(--amber);
}
.fill i.most {
  background: var(--flux);
}
.fill b {
  position: absolute;
  top: -3px;
  bottom: -3px;
  width: 2px;
  background: var(--ink);
}
.fill b.top {
  background: var(--flux);
}
.small {
  font-size: 12px;
  margin: 2px 0;
}
.families {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin: 4px 0;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
  margin: 6px 0;
  font-size: 13px;
}
dt {
  color: var(--slate);
}
dd {
  margin: 0;
}
.runs {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  font-size: 13px;
}
</style>
