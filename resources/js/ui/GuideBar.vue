<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRoute } from 'vue-router'
import { wrote } from '../api/client'
import { useLive } from '../api/live'
import { useSession } from '../api/session'
import { come, lookAhead, steps } from './guide'
import { guided } from './guided'

/** Five beads from the first place to the first test: what comes next, and where it is done. */
const route = useRoute()
watch(
  [() => route.path, wrote],
  () => {
    void lookAhead()
  },
  { immediate: true },
)
useLive(['decided', 'recorded'], 1000, lookAhead)
const session = useSession()
const next = computed(() => steps.value.find(step => !step.done) ?? null)
/** Whoever stands where the next step is done needs no button to it. */
const isThere = computed(() => next.value !== null && route.path === next.value.to.split('?')[0])
const again = computed(() => isThere.value && next.value!.to.includes('?'))
const may = computed(() => next.value !== null && session.can(...next.value.by))
</script>

<template>
  <section v-if="come" class="guide" aria-label="Guide">
    <ol>
      <li
        v-for="step in steps"
        :key="step.name"
        :class="{ done: step.done, next: step === next }"
        :aria-current="step === next ? 'step' : undefined"><i aria-hidden="true" />{{ step.name }}<span
          v-if="step.done"
          class="visually-hidden">, done</span></li>
    </ol>
    <p role="status">{{ next && !may ? `${next.name} come next, from whoever is ${next.by.join(' or ')} here.` : next
      ? next.how : 'That was all of it once: planned, made and tested.' }}</p>
    <span class="acts">
      <v-btn
        v-if="next && may && (!isThere || again)"
        size="small"
        color="primary"
        :active="false"
        :to="next.to">{{ next.act }}</v-btn>
      <v-btn
        size="small"
        variant="text"
        :title="next ? 'It goes on from here any time, below your name.' : undefined"
        @click="guided = false">{{ next ? 'Leave the guide' : 'Done' }}</v-btn>
    </span>
  </section>
</template>

<style scoped>
.guide {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  padding: 7px 16px;
  background: var(--surface);
  border-bottom: 1px solid var(--ink);
  font-size: 13.5px;
}
ol {
  display: flex;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  position: relative;
  padding: 14px 14px 0 0;
  min-width: 76px;
  color: var(--slate);
  font-size: 12px;
  white-space: nowrap;
}
/* A string from bead to bead. */
li::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 6px;
  border-top: 1.5px solid var(--slate);
}
li:last-child::before {
  right: auto;
  width: 12px;
}
i {
  position: absolute;
  left: 0;
  top: 0;
  width: 12px;
  height: 12px;
  border-radius: 50%;
  border: 2px solid var(--slate);
  background: var(--surface);
}
.done i {
  background: var(--verdigris);
  border-color: var(--verdigris);
}
.next {
  color: var(--ink);
  font-weight: 650;
}
.next i {
  border-color: var(--copper);
  border-width: 4px;
}
p {
  margin: 0;
  flex: 1 1 300px;
}
.acts {
  display: flex;
  gap: 6px;
}
@media (max-width: 700px) {
  li:not(.next) {
    font-size: 0;
    min-width: 30px;
    padding-right: 0;
  }
  .acts :deep(.v-btn) {
    min-height: 48px;
  }
}
@media print {
  .guide {
    display: none;
  }
}
</style>
