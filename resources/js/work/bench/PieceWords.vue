<script setup lang="ts">
import { computed } from 'vue'
import type { Block } from '../../api/bench'
import type { Place } from './useJob'
import { hex } from '../../ui/colours'
import { inFigures, length, short } from '../../ui/units'

/** What to do, readable at arm's length. A contact leads with its channel, everything else with its words. */
const props = defineProps<{ place: Place; block?: Block }>()
const piece = computed(() => props.place.piece)
const core = computed(() => piece.value.cores?.[0])
const contact = computed(
  () => ['join', 'crimp'].includes(props.place.step.task) && core.value && piece.value.cores!.length <= 3,
)
/** As it is marked, in its own unit, and from where. */
const mark = computed(() => {
  const [figure, ...from] = (piece.value.mark ?? '').split(', ')
  return [figure, from.join(', ')]
})
const several = computed(() => props.place.step.task === 'join' && (piece.value.cores?.length ?? 0) > 3)
/** Where there are several, which one it is comes first. */
const isChannelled = computed(() => {
  const channels = props.place.step.pieces.map(each => each.cores?.[0]?.channel ?? '')
  return !!core.value?.channel && channels.length > 3 && new Set(channels).size > 1
})
const parts = (colour: string) => colour.split('/')
</script>

<template>
  <div>
    <template v-if="contact && core">
      <p class="huge">{{ isChannelled ? `Channel ${core.channel}` : piece.words }}</p>
      <p class="big"><b>{{ core.function }}</b>
        <template v-if="piece.address"> into <b class="mono to">{{ piece.address }}</b></template> <span
          v-if="piece.detail && place.step.task === 'join'"
          class="quiet">{{ piece.detail }}</span></p>
      <p v-for="each in piece.cores" :key="each.conductor" class="core">
        <svg width="190" height="26" viewBox="0 0 190 26" aria-hidden="true">
          <rect x="0" y="3" width="72" height="20" rx="9" fill="#4c4c4c" />
          <rect x="66" y="7" width="84" height="12" :fill="hex(parts(each.colour)[0] ?? '')" stroke="#22302f" />
          <path
            v-if="parts(each.colour)[1]"
            d="M76 19L88 7H96L84 19Z M106 19L118 7H126L114 19Z"
            :fill="hex(parts(each.colour)[1]!)" />
          <rect x="150" y="11" width="36" height="4" fill="#c98a55" />
        </svg>
        <span><b>{{ each.colour || 'bare' }}</b> <span class="quiet">{{ each.element }}</span></span>
      </p>
      <p v-if="block" class="how"><span
        class="dot"
        :style="{ background: hex(block.colour) }" />block {{ block.number }}, {{ block.colour }}</p>
      <p v-if="isChannelled" class="how">{{ piece.words }}</p>
    </template>
    <template v-else>
      <p class="huge words">{{ piece.words }}</p>
      <p v-if="piece.mark" class="big"><b class="mono to">{{ mark[0] }}</b><span
        v-if="mark[1]"
        class="quiet from">{{ mark[1] }}</span></p>
      <p
        v-else-if="piece.at"
        class="big"><b class="mono to">{{ place.step.task === 'cut' ? length(piece.at) : short(piece.at) }}</b> <span
          v-if="place.step.task === 'strip'"
          class="quiet">from the cut end</span></p>
      <p v-if="piece.detail" class="how">{{ inFigures(piece.detail) }}</p>
      <table v-if="piece.lengths" class="lengths"><tbody><tr
        v-for="cut in piece.lengths"
        :key="cut.for">
        <td class="mono">{{ short(cut.length) }}<template v-if="cut.most"> to {{ short(cut.most) }}</template></td>
        <td>{{ cut.for }}</td></tr></tbody></table>
      <ol v-if="several" class="order"><li v-for="each in piece.cores" :key="each.conductor"><svg
        width="34"
        height="14"
        viewBox="0 0 34 14"
        aria-hidden="true"><rect
          x="0.5"
          y="1"
          width="33"
          height="12"
          rx="3"
          :fill="hex(parts(each.colour)[0] ?? '')"
          stroke="#22302f" /><path
            v-if="parts(each.colour)[1]"
            d="M6 13L14 1H20L12 13Z"
            :fill="hex(parts(each.colour)[1]!)" />
      </svg> {{ each.colour || 'bare' }} <span class="quiet">{{ each.function }}</span></li></ol>
    </template>
    <p class="where">{{ piece.place }}</p>
    <p v-if="piece.tool" class="how"><span class="quiet">Tool</span> {{ piece.tool }}</p>
    <p v-if="piece.check" class="how check"><span class="quiet">Look</span> {{ piece.check }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
.huge {
  font-size: clamp(34px, 5.2vw, 64px);
  font-weight: 700;
  line-height: 1.08;
  letter-spacing: -0.01em;
  margin: 2px 0 4px;
}
.huge.words {
  font-size: clamp(28px, 3.7vw, 46px);
}
.big {
  font-size: clamp(26px, 3.2vw, 42px);
  line-height: 1.2;
}
.to {
  color: var(--copper);
}
.from {
  margin-left: 0.4em;
}
.core {
  display: flex;
  align-items: center;
  gap: 18px;
  font-size: 22px;
  margin-top: 12px;
}
.where {
  font-size: 18px;
  color: var(--slate);
  margin-top: 12px;
}
.how {
  font-size: 19px;
  margin-top: 6px;
}
.how .quiet {
  display: inline-block;
  min-width: 44px;
  font-size: 14px;
}
.dot {
  display: inline-block;
  width: 16px;
  height: 16px;
  border-radius: 50%;
  border: 1px solid var(--ink);
  margin-right: 10px;
  vertical-align: -2px;
}
.lengths {
  font-size: 17px;
  margin-top: 8px;
}
.lengths td {
  padding: 2px 18px 2px 0;
}
.order {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 6px 16px;
  font-size: 18px;
  padding-left: 24px;
  margin: 12px 0;
}
</style>
