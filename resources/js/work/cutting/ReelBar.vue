<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Assigned, Cut } from '../../api/cutting'
import { hex } from '../../ui/colours'
import { inWords, length } from '../../ui/units'

/** A reel as a bar: free end on the left, cuts in order, what stays on the right. */
const props = defineProps<{ assigned: Assigned; sheath: string; longest: number; chosen: string }>()
defineEmits<{ choose: [Cut] }>()
const mm = (text: string) => Number.parseFloat(text)
const share = computed(() => Math.max(12, (mm(props.assigned.stock.left) / props.longest) * 100))
const part = (text: string) => `${(mm(text) / mm(props.assigned.stock.left)) * 100}%`
const stays = computed(() => {
  if (mm(props.assigned.rest) === 0) return 'nothing stays'
  return `${length(props.assigned.rest)} ${props.assigned.usable ? 'stays' : 'scrap'}`
})
/** Whether that can be read where it stays. */
const isWide = computed(() => share.value * (mm(props.assigned.rest) / mm(props.assigned.stock.left)) > 10)
const KIND = { piece: 'piece', offcut: 'offcut', reel: 'reel', 'to-buy': 'to buy' }
const mark = (at: number | null) => (at === null ? '' : at.toFixed(1))
/** How much it is, and where its free end is. */
const about = computed(() => {
  const { left, marks } = props.assigned.stock
  const end = marks && `, free end at ${mark(marks.at)} ${marks.unit}, marks ${marks.rising ? 'rise' : 'fall'}`
  return `${length(left)}${end ?? ''}`
})
const bar = ref<HTMLElement | null>(null)
const { width } = useElementSize(bar)
/** px of a letter of a code, and beside all of them. */
const [LETTER, BESIDE] = [7, 10]
/** Codes that are wider than their pieces: half a code is another cable's, so they are read below, in their order. */
const short = computed(() =>
  props.assigned.cuts.filter(
    cut => width.value * (mm(cut.length) / mm(props.assigned.stock.left)) < cut.code.length * LETTER + BESIDE,
  ),
)
const called = (cut: Cut) =>
  `${cut.code}, ${length(cut.length)}${cut.markTo === null ? '' : `, to mark ${mark(cut.markTo)}`}`
const isShort = (cut: Cut) => short.value.includes(cut)
const light = computed(() => ['white', 'yellow', 'grey', 'clear', 'orange', 'pink', 'turquoise'].includes(props.sheath))
</script>

<template>
  <div class="reel">
    <p class="head"><b class="mono">{{ inWords(assigned.stock.name) }}</b> <span
      class="tag"
      :class="assigned.stock.kind">{{ KIND[assigned.stock.kind] }}</span> <span class="quiet">{{ about }}</span><span
        v-if="!isWide"
        :class="assigned.tight ? 'tight' : 'quiet'"> · {{ stays }}</span></p>
    <div ref="bar" class="bar" :style="{ width: `${share}%` }">
      <button
        v-for="cut in assigned.cuts"
        :key="cut.run"
        type="button"
        class="cut"
        :class="{ chosen: chosen === cut.run, light }"
        :style="{ width: part(cut.length), background: hex(sheath) }"
        :title="called(cut)"
        @click="$emit('choose', cut)">
        <span class="mono" :class="{ 'visually-hidden': isShort(cut) }">{{ cut.code }}</span><span
          class="visually-hidden">, {{ length(cut.length) }}{{ cut.markTo === null ? '' : ', to mark ' }}</span><span
          v-if="cut.markTo !== null"
          class="mark mono">{{ mark(cut.markTo) }}</span>
      </button>
      <span
        v-if="mm(assigned.rest) > 0"
        class="rest"
        :class="{ usable: assigned.usable }"
        :style="{ width: part(assigned.rest) }">
        <span v-if="isWide">{{ stays }}</span></span>
    </div>
    <p v-if="short.length" class="short mono" aria-hidden="true">{{ short.map(cut => cut.code).join(' · ') }}</p>
  </div>
</template>

<style scoped>
.reel {
  margin: 4px 0 10px;
}
.head {
  margin: 0 0 2px;
  font-size: 13px;
}
.tight {
  color: var(--amber);
  font-weight: 600;
}
.tag {
  font-size: 11.5px;
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 0 5px;
}
.tag.to-buy {
  border-color: var(--copper);
  font-weight: 600;
}
.bar {
  display: flex;
  height: 38px;
  border: 1px solid var(--slate);
  border-radius: 3px;
  overflow: hidden;
  background: var(--surface);
}
.cut {
  all: unset;
  box-sizing: border-box;
  position: relative;
  container-type: inline-size;
  border-right: 2px solid var(--surface);
  color: #fff;
  cursor: pointer;
  overflow: hidden;
  padding: 3px 4px;
  font-size: 11.5px;
  white-space: nowrap;
  min-width: 3px;
}
.short {
  margin: 2px 0 0;
  font-size: 12px;
  color: var(--slate);
}
@container (max-width: 76px) {
  .mark {
    display: none;
  }
}
.cut.light {
  color: #101615;
  border-right-color: var(--slate);
}
.cut.chosen {
  box-shadow: inset 0 0 0 3px var(--copper);
}
.cut:focus-visible {
  box-shadow: inset 0 0 0 3px var(--ink);
}
.mark {
  position: absolute;
  right: 4px;
  bottom: 1px;
  font-size: 10.5px;
  opacity: 0.9;
}
.rest {
  display: block;
  overflow: hidden;
  white-space: nowrap;
  font-size: 11.5px;
  color: var(--slate);
  padding: 10px 6px;
  background: repeating-linear-gradient(45deg, transparent 0 5px, var(--panel) 5px 7px);
}
.rest.usable {
  background: none;
}
</style>
