<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import uPlot from 'uplot'
import 'uplot/dist/uPlot.min.css'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Hours } from '../../api/progress'
import { dated, dates, tick } from '../../ui/dates'
import { dim } from '../../ui/theme'

/** Hours left at the bench day by day, when they end if it goes on so, and the day that is wanted. */
const props = defineProps<{ hours: Hours; wanted: string; today: string }>()
const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box)
const HEIGHT = 232
/** s, at the end of a day. */
const end = (day: string) => Date.parse(`${day}T18:00:00`) / 1000

const lines = computed<uPlot.AlignedData>(() => {
  const { days, outlook } = props.hours
  const left = new Map(days.map(each => [end(each.day), each.left]))
  const now = days.at(-1)?.left ?? 0
  const from = end(props.today)
  if (days.length > 0) left.set(from, now)
  const ends = outlook ? [outlook.early, outlook.likely, outlook.late].map(end) : []
  const at = [...new Set([...left.keys(), ...ends, ...(props.wanted ? [end(props.wanted)] : [])])].sort((a, b) => a - b)
  /** A straight way from what is left today down to nothing. */
  const down = (to: number | undefined, on: number | undefined) =>
    at.map(x => {
      if (to === undefined || on === undefined || x < from || x > on) return null
      return to <= from ? 0 : Math.max(0, (now * (to - x)) / (to - from))
    })
  const [early, likely, late] = ends
  return [at, at.map(x => left.get(x) ?? null), down(early, late), down(late, late), down(likely, likely)]
})

let chart: uPlot | null = null
function draw() {
  chart?.destroy()
  chart = null
  if (!box.value || width.value < 50) return
  const style = getComputedStyle(box.value)
  const colour = (name: string) => style.getPropertyValue(`--${name}`).trim()
  const font = `12px ${style.fontFamily}`
  const axis = { stroke: colour('slate'), font, grid: { stroke: colour('line'), width: 1 }, ticks: { show: false } }
  const bare = { points: { show: false }, spanGaps: true }
  chart = new uPlot(
    {
      width: width.value,
      height: HEIGHT,
      cursor: { show: false },
      legend: { show: false },
      scales: { y: { range: (_, __, most) => [0, most * 1.05 || 1] } },
      axes: [
        {
          ...axis,
          size: 28,
          values: (_, marks) => marks.map(mark => tick(new Date(mark * 1000))),
          space: 70,
          incrs: [1, 2, 7, 14, 28, 56, 112, 364].map(days => days * 86_400),
        },
        { ...axis, size: 44 },
      ],
      series: [
        {},
        { ...bare, stroke: colour('verdigris'), width: 2.5 },
        bare,
        bare,
        { ...bare, stroke: colour('copper'), width: 2, dash: [6, 4] },
      ],
      bands: [{ series: [3, 2], fill: `${colour('copper')}33` }],
      hooks: { draw: [each => mark(each, colour('flux'))] },
    },
    lines.value,
    box.value,
  )
}
/** The day that is wanted. */
function mark(of: uPlot, colour: string) {
  if (!props.wanted) return
  const x = Math.round(of.valToPos(end(props.wanted), 'x', true))
  const pen = of.ctx
  pen.save()
  pen.strokeStyle = colour
  pen.lineWidth = 2 * devicePixelRatio
  pen.setLineDash([2 * devicePixelRatio, 4 * devicePixelRatio])
  pen.beginPath()
  pen.moveTo(x, of.bbox.top)
  pen.lineTo(x, of.bbox.top + of.bbox.height)
  pen.stroke()
  pen.restore()
}
onMounted(draw)
watch([lines, width, dim, dates], draw, { flush: 'post' })
onBeforeUnmount(() => chart?.destroy())
const said = computed(() => {
  const { days, outlook } = props.hours
  const last = days.at(-1)
  return [
    last ? `${Math.round(days[0]!.left)} hours at first, ${Math.round(last.left)} now` : 'nothing recorded yet',
    outlook ? `done between ${dated(outlook.early)} and ${dated(outlook.late)}` : '',
    props.wanted ? `wanted by ${dated(props.wanted)}` : '',
  ]
    .filter(Boolean)
    .join('; ')
})
</script>

<template>
  <figure>
    <div ref="box" class="chart" role="img" :aria-label="`Hours left: ${said}`" />
    <figcaption class="quiet">Hours left at the end of each day<template v-if="hours.outlook">; shaded: where it ends,
      four times of five</template><template v-if="wanted">; dotted: the day that is wanted</template>.</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 6px 0;
}
figcaption {
  font-size: 12px;
}
.chart {
  min-height: 232px;
  overflow: hidden;
}
</style>
