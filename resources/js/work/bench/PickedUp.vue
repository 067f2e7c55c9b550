<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSession } from '../../api/session'
import { when } from '../../ui/dates'
import { small } from '../../ui/words'
import type { useJob } from './useJob'

/** For whoever comes back after a break, or takes over from somebody: what was done last, by whom and when. */
const props = defineProps<{ bench: ReturnType<typeof useJob> }>()
const session = useSession()
/** min for which hands remember by themselves what they did. */
const REMEMBERED = 5
const shown = ref<ReturnType<typeof props.bench.latest>>(null)
watch(
  () => props.bench.job.value?.steps[0]?.pieces[0]?.id,
  () => {
    const last = props.bench.latest()
    const isOwn = last?.by === session.session.person?.name
    const isFresh = last !== null && Date.now() - Date.parse(last.at) < REMEMBERED * 60_000
    shown.value = last && !(isOwn && isFresh) ? last : null
  },
  { immediate: true },
)
// With the first thing that is done here it is told by the page itself.
watch(
  () => props.bench.at.value,
  (_, before) => {
    if (before) shown.value = null
  },
)
const what = computed(() => {
  const piece = shown.value?.place.piece
  if (!piece) return ''
  const isNamed = !piece.address || piece.words.includes(piece.address)
  return isNamed ? small(piece.words) : `${piece.address}, ${small(piece.words)}`
})
</script>

<template>
  <p v-if="shown" class="quiet" role="status">Last: {{ what }} · {{ shown.by }},
    {{ when(shown.at) }}</p>
</template>

<style scoped>
p {
  margin: 0 0 6px;
  font-size: 14px;
}
</style>
