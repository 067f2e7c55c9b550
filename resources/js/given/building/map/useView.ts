import { useElementSize } from '@vueuse/core'
import { select } from 'd3-selection'
import { zoom, zoomIdentity } from 'd3-zoom'
import { onMounted, ref, watch, type Ref } from 'vue'
import type { Point } from '../../../api/building'

/** px for a square of the map, as far as nobody looks closer. */
export const SQUARE = 30
/** px for names beside the outer places, and below for what stands over the map. */
const ROOM = [130, 40] as const
const BELOW = 34
const [LEAST, MOST] = [0.1, 6]

/** What of the map is seen: moved by dragging its ground, closer by wheel, two fingers or keys (d3-zoom). */
export function useView(svg: Ref<SVGSVGElement | null>, points: () => Point[]) {
  const { width, height } = useElementSize(svg)
  const view = ref({ x: 0, y: 0, k: 1 })
  /** Somebody has looked closer: what changes is not moved from under their eyes. */
  let isOwn = false
  const zooming = zoom<SVGSVGElement, unknown>()
    .scaleExtent([LEAST, MOST])
    .filter(
      (event: MouseEvent) =>
        !event.shiftKey && !event.button && event.type !== 'dblclick' && !(event.target as Element).closest('.node'),
    )
    .on('zoom', (event: { transform: { x: number; y: number; k: number }; sourceEvent: unknown }) => {
      const { x, y, k } = event.transform
      view.value = { x, y, k }
      if (event.sourceEvent) isOwn = true
    })
  const on = () => select(svg.value!)
  onMounted(() => on().call(zooming))

  function fit() {
    if (!svg.value || !width.value || !points().length) return
    const xs = points().map(each => each[0]! * SQUARE)
    const ys = points().map(each => each[1]! * SQUARE)
    const [left, top, right, bottom] = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]
    const room = [Math.min(ROOM[0], width.value / 5), Math.min(ROOM[1], height.value / 6)] as const
    const k = Math.max(
      LEAST,
      Math.min(
        1.6,
        (width.value - 2 * room[0]) / Math.max(1, right - left),
        (height.value - BELOW - 2 * room[1]) / Math.max(1, bottom - top),
      ),
    )
    on().call(
      zooming.transform,
      zoomIdentity
        .translate(width.value / 2, (height.value - BELOW) / 2)
        .scale(k)
        .translate(-(left + right) / 2, -(top + bottom) / 2),
    )
  }
  function whole() {
    isOwn = false
    fit()
  }
  function closer(by: number) {
    isOwn = true
    on().call(zooming.scaleBy, by)
  }
  watch([width, height, () => points().length], () => {
    if (!isOwn) fit()
  })

  /** Square → px. */
  const seen = (at: Point): [number, number] => [
    at[0]! * SQUARE * view.value.k + view.value.x,
    at[1]! * SQUARE * view.value.k + view.value.y,
  ]
  /** px of the page → square. */
  function point(event: { clientX: number; clientY: number }): Point {
    const box = svg.value!.getBoundingClientRect()
    const { x, y, k } = view.value
    return [(event.clientX - box.left - x) / k / SQUARE, (event.clientY - box.top - y) / k / SQUARE]
  }
  return { view, width, height, seen, point, whole, closer }
}
