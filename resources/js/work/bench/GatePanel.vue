<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Place, useJob } from './useJob'

/**
 * Before anything is heated or crimped: each part that cannot arrive later is ticked as it lies on the cable, the one
 * that went on first at the top.
 */
const props = defineProps<{ place: Place; bench: ReturnType<typeof useJob>; may: boolean }>()
const emit = defineEmits<{ done: [] }>()
const ticked = ref<string[]>([])
const lies = computed(() => props.place.piece.lies ?? [])
const parts = computed(() =>
  lies.value.map(each => {
    const [name, ...way] = each.split(': ')
    // "strain-relief nut, circular connector" is the nut to whoever has it in hand.
    const short = (name ?? '')
      .split(/,| for | over /)[0]!
      .split(' ')
      .at(-1)
    return { each, name: name ?? '', short, way: way.join(': ') }
  }),
)
const isWhole = computed(() => lies.value.every(each => ticked.value.includes(each)))
/** The cable's other end, where nothing is joined yet: what is missing could still come over it. */
const open = computed(() => {
  const { run } = props.place.piece
  const far = props.bench.places.value.filter(
    each => each.piece.run === run && each.step.task === 'join' && each.step.side !== props.place.step.side,
  )
  if (far.length === 0 || far.some(each => props.bench.settled(each.piece.id))) return ''
  return far[0]?.step.side ?? ''
})
function toggle(each: string) {
  ticked.value = ticked.value.includes(each) ? ticked.value.filter(other => other !== each) : [...ticked.value, each]
}
/** One press ticks the next; the last one goes on. */
function press() {
  const next = lies.value.find(each => !ticked.value.includes(each))
  if (next) toggle(next)
  else if (props.may) emit('done')
}
defineExpose({ press })
</script>

<template>
  <div class="gate">
    <ol>
      <li v-for="part in parts" :key="part.each">
        <label :class="{ on: ticked.includes(part.each) }"><input
                                                             type="checkbox"
                                                             :checked="ticked.includes(part.each)"
                                                             @change="toggle(part.each)">
          <span><b>{{ part.name }}</b><span v-if="part.way" class="quiet turned">{{ part.way }}</span></span></label>
      </li>
    </ol>
    <p class="way">
      <span>cable</span><template v-for="part in parts" :key="part.each"><span
        class="on-it"
        :class="{ there: ticked.includes(part.each) }">{{ part.short }}</span></template>
      <span>this end</span>
    </p>
    <p v-if="open" class="note">End {{ open }} is still open: what is missing could come over it, as long as nothing is
      joined there.</p>
    <p v-else class="note check">The other end is made: what is missing here does not come any more.</p>
    <v-btn size="x-large" color="primary" :disabled="!may || !isWhole" @click="emit('done')">All of it is on</v-btn>
  </div>
</template>

<style scoped>
ol {
  margin: 12px 0;
  padding-left: 24px;
  font-size: 19px;
}
label {
  display: flex;
  gap: 14px;
  align-items: center;
  min-height: 48px;
  padding: 2px 8px;
  border-radius: 4px;
  cursor: pointer;
}
label.on {
  background: var(--warn);
}
input {
  width: 24px;
  height: 24px;
  flex: none;
}
.way {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  font-size: 14px;
  color: var(--slate);
}
.on-it {
  border: 1px dashed var(--line);
  border-radius: 3px;
  padding: 4px 10px;
}
.there {
  border: 1px solid var(--ink);
  color: var(--ink);
}
.turned {
  margin-left: 0.5em;
}
.note {
  margin: 10px 0;
}
</style>
