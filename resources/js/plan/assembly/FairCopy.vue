<script setup lang="ts">
import { computed } from 'vue'
import { fairCopy, HIGH, type Box } from './fairCopy'
import type { AssemblyPage } from './useAssembly'

/** The whole assembly as it follows from what is decided; what is pressed in it is in hand. */
const props = defineProps<{ page: AssemblyPage; end: string; fitting: string }>()
const emit = defineEmits<{ end: [string]; fitting: [string] }>()
const copy = computed(() => fairCopy(props.page))
function press(box: Box) {
  if (box.fitting) emit('fitting', box.fitting)
  else if (box.end) emit('end', box.end)
}
const isIn = (box: Box) =>
  box.fitting ? box.fitting === props.fitting : props.end.slice(0, -2) === box.end?.slice(0, -2)
</script>

<template>
  <figure class="copy">
    <svg
      :viewBox="`-2 -2 ${copy.width + 4} ${copy.height + 4}`"
      :width="copy.width * 1.15"
      role="group"
      aria-label="Fair copy of the assembly">
      <path
        v-for="each in copy.strands"
        :key="each.key"
        :d="each.path"
        class="strand"
        :class="{ dashed: each.dashed, in: each.end === end }" />
      <path v-for="each in copy.jumpers" :key="each.key" :d="each.path" class="jumper" />
      <!-- Presses inside it bubble up. -->
      <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
      <g
        v-for="box in copy.boxes"
        :key="box.key"
        class="box"
        :class="{ in: isIn(box), cable: !box.fitting }"
        role="button"
        tabindex="0"
        :aria-pressed="isIn(box)"
        :aria-label="box.label"
        :transform="`translate(${box.x} ${box.y})`"
        @click="press(box)"
        @keydown.enter.prevent="press(box)"
        @keydown.space.prevent="press(box)">
        <title>{{ box.label }}</title>
        <rect :width="box.wide" :height="HIGH" rx="3" />
        <text :x="box.wide < 40 ? box.wide / 2 : 6" :y="HIGH - 5" :text-anchor="box.wide < 40 ? 'middle' : 'start'">{{
          box.short }}</text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
.copy {
  margin: 0;
}
svg {
  max-width: 100%;
  height: auto;
  display: block;
}
.strand {
  fill: none;
  stroke: var(--slate);
  stroke-width: 1.1;
  opacity: 0.55;
}
.strand.in {
  stroke: var(--copper);
  stroke-width: 2;
  opacity: 1;
}
.dashed {
  stroke-dasharray: 3 3;
}
.jumper {
  fill: none;
  stroke: var(--verdigris);
  stroke-width: 1.1;
}
.box {
  cursor: pointer;
  outline: none;
}
.box rect {
  fill: var(--surface);
  stroke: var(--line);
}
.box.cable rect {
  fill: var(--panel);
}
.box.in rect {
  stroke: var(--copper);
  stroke-width: 1.8;
}
.box:focus-visible rect {
  stroke: var(--verdigris);
  stroke-width: 2.4;
}
.box text {
  font: 10.5px var(--sans);
  fill: var(--ink);
}
.box.cable text {
  font-family: var(--mono);
}
</style>
