<script setup lang="ts">
import { computed } from 'vue'
import type { TypeDetail } from '../../api/types'
import { hex } from '../../ui/colours'

/** A cable cut across, to scale: what lies in it and how much room that takes. */
const props = defineProps<{ face: TypeDetail['face']; height?: number }>()
const around = computed(() => (props.face[0]?.radius ?? 1) * 1.04)
const box = computed(() => [-around.value, -around.value, 2 * around.value, 2 * around.value].join(' '))
const one = (colour: string, i: number) => hex(colour.split('/').at(i) ?? '')
const METAL = '#b8bcc0'
const said = computed(() => {
  const counts = new Map<string, number>()
  for (const each of props.face.slice(1)) counts.set(each.kind, (counts.get(each.kind) ?? 0) + 1)
  return [...counts].map(([kind, n]) => `${n} ${kind}`).join(', ')
})
const fill = (each: TypeDetail['face'][number]) => {
  if (each.kind === 'drain') return METAL
  return each.kind === 'core' ? one(each.colour, 0) : 'none'
}
</script>

<template>
  <svg
    v-if="face.length"
    :viewBox="box"
    :height="height ?? 200"
    role="img"
    :aria-label="`Cut across, ${(2 * face[0]!.radius).toFixed(1)} mm: ${said}`">
    <circle
      :r="face[0]!.radius"
      :fill="one(face[0]!.colour, 0)"
      stroke="#22302f"
      :stroke-width="around / 90" />
    <circle :r="face[0]!.radius * 0.9" fill="#f7f4ee" />
    <g v-for="each in face.slice(1)" :key="each.path"><title>{{ each.label || each.kind }}</title>
      <circle
        :cx="each.x"
        :cy="-each.y"
        :r="each.radius"
        :fill="fill(each)"
        :stroke="['foil', 'screen'].includes(each.kind) ? METAL : '#22302f'"
        :stroke-width="['foil', 'screen'].includes(each.kind) ? around / 30 : around / 140"
        :stroke-dasharray="each.kind === 'foil' ? `${around / 14} ${around / 40}` : undefined" />
      <circle
        v-if="each.kind === 'core'"
        :cx="each.x"
        :cy="-each.y"
        :r="each.radius * 0.5"
        fill="#c98a5a"
        :stroke="one(each.colour, -1)"
        :stroke-width="each.radius * 0.22" /></g>
  </svg>
</template>
