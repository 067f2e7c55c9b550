<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../../api/client'
import type { SheetLeg, StepRecords } from '../../api/types'
import StepRecord from '../../given/catalogue/StepRecord.vue'
import { short } from '../../ui/units'

/** How an end is made, step by step, with a picture of it to scale after the one in hand. */
const props = defineProps<{ made: NonNullable<SheetLeg['made']>; src: string }>()
const first = Math.max(
  0,
  props.made.steps.findIndex(step => step.mark !== ''),
)
const at = ref(first)
/** What stands below its picture comes with it: nothing moves from under a finger. */
const drawn = ref(false)
const step = computed(() => props.made.steps[at.value])
const picture = computed(() => `${props.src}&step=${encodeURIComponent(step.value?.id ?? '')}`)
/** More than the run states for it: its cut length counts that. */
const over = computed(
  () =>
    `This end uses up ${short(props.made.used)} of the cable, ${short(props.made.short ?? '')} more than the run ` +
    'states for preparing it. Its cut length counts that: look at how much there is before you open it.',
)
/** What the crew's own record says of these steps, where it is at hand. */
const record = ref<StepRecords>({})
if (props.made.id)
  void api.get(`types/procedure/${props.made.id}/record`).then(
    answer => {
      record.value = answer.steps
    },
    () => undefined,
  )
function move(by: number) {
  at.value = Math.min(props.made.steps.length - 1, Math.max(0, at.value + by))
}
</script>

<template>
  <div class="made" :class="{ waits: !drawn }">
    <figure>
      <img
        :src="picture"
        @load="drawn = true"
        @error="drawn = true" :alt="`The end after “${step?.words}”, to scale`">
      <figcaption>
        <button type="button" :disabled="at === 0" aria-label="The step before" @click="move(-1)">←</button>
        <span aria-live="polite">After {{ at + 1 }} of {{ made.steps.length }}: {{ step?.words }}</span>
        <button
          type="button"
          :disabled="at === made.steps.length - 1"
          aria-label="The next step"
          @click="move(1)">→</button>
      </figcaption>
    </figure>
    <ol>
      <template v-for="(each, i) in made.steps" :key="each.id">
        <li v-if="each.gate" class="gate" aria-hidden="true">Everything that cannot come later is on the cable</li>
        <li :class="{ here: i === at }">
          <button type="button" :aria-current="i === at ? 'step' : undefined" @click="at = i">
            <b>{{ each.words }}</b><span v-if="each.mark" class="mark">{{ each.mark }}</span>
          </button>
          <span v-if="each.locked" class="quiet">secures a life: it stays in every copy</span>
          <span v-if="each.check"><i>Look</i> {{ each.check }}</span>
          <template v-if="i === at">
            <span v-if="each.tool"><i>With</i> {{ each.tool }}</span>
            <span v-if="each.seconds"><i>Wait</i> {{ each.seconds }} s</span>
            <span v-if="each.why"><i>Why</i> {{ each.why }}</span>
            <StepRecord
              v-if="record[each.id]"
              :step="{ id: each.id, do: '', catches: each.catches, since: each.since }"
              :known="record[each.id]"
              :editing="false" />
          </template>
          <span v-if="each.caution" class="caution">{{ each.caution }}</span>
        </li>
      </template>
    </ol>
    <p v-if="made.short" class="note check">{{ over }}</p>
    <p v-else class="quiet source">It uses up {{ short(made.used) }} of the cable.</p>
    <p class="quiet source">{{ made.name }} · edition <span class="mono">{{ made.edition }}</span> ·
      {{ made.source }}</p>
  </div>
</template>

<style scoped>
.waits > :not(figure),
.waits figcaption {
  visibility: hidden;
}
figure {
  margin: 6px 0;
  background: #fff;
  border: 1px solid var(--line);
  border-radius: 4px;
  position: sticky;
  top: 54px;
  z-index: 1;
}
img {
  width: 100%;
  height: auto;
  display: block;
}
figcaption {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  border-top: 1px solid var(--line);
  background: var(--surface);
  font-size: 12.5px;
}
figcaption button {
  min-width: 48px;
  min-height: 36px;
  border: 0;
  background: none;
  color: var(--verdigris);
  font-size: 18px;
  cursor: pointer;
}
figcaption button:disabled {
  opacity: 0.35;
  cursor: default;
}
ol {
  margin: 0;
  padding-left: 26px;
}
li {
  padding: 2px 0;
}
li.gate {
  list-style: none;
  counter-increment: list-item 0;
  margin: 6px 0 6px -26px;
  padding: 3px 8px;
  border-top: 2px solid var(--copper);
  border-bottom: 2px solid var(--copper);
  font-weight: 600;
  font-size: 13px;
}
li button {
  vertical-align: top;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  padding: 2px 0;
  cursor: pointer;
}
li button b {
  font-weight: 550;
}
li.here button b {
  text-decoration: underline;
  text-decoration-color: var(--copper);
  text-underline-offset: 3px;
}
button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: 1px;
}
.mark {
  margin-left: 8px;
  color: var(--verdigris);
  font-weight: 600;
}
li > span {
  display: block;
  font-size: 13px;
}
i {
  font-style: normal;
  color: var(--slate);
  display: inline-block;
  min-width: 38px;
}
.caution {
  color: var(--amber);
  font-weight: 600;
}
.source {
  font-size: 12px;
  margin: 6px 0;
}
</style>
