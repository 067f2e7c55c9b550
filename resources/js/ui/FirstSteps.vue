<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../api/client'
import { useSession } from '../api/session'
import { guided } from './guided'

/** Where there is no cable yet: why this page is empty, and what comes before it, in the order of the work. */
defineProps<{ why: string }>()
const session = useSession()
const begun = ref<{ places: number; ways: number } | null>(null)
onMounted(async () => {
  const building = await api.get('building?brief=1').catch(() => null)
  begun.value = building && { places: building.locations.length, ways: building.ways.length }
})
/** A cable goes from one place to another. */
const PLACES = 2
const steps = computed(() => {
  const { places, ways } = begun.value ?? { places: 0, ways: 0 }
  return [
    {
      name: 'Places',
      what: 'rooms, racks and boxes that cables go to',
      count: places,
      done: places >= PLACES,
      act: places === 0 ? 'Add the first place' : 'Add another place',
      to: '/rules/building?make=location',
    },
    {
      name: 'Ways',
      what: 'trays and conduits between them, with their lengths',
      count: ways,
      done: ways > 0,
      act: 'Add the first way',
      to: '/rules/building?make=way',
    },
    {
      name: 'First cables',
      what: 'typed as one line, or brought in as a table',
      count: 0,
      done: false,
      act: 'Write the first line',
      to: '/schedule?make=line',
    },
  ]
})
const next = computed(() => steps.value.find(step => !step.done)!)
</script>

<template>
  <div class="first">
    <p>{{ why }}</p>
    <p v-if="guided" class="quiet">The guide above says what comes next.</p>
    <template v-else-if="begun && session.plans">
      <ol>
        <li v-for="step in steps" :key="step.name" :class="{ done: step.done, next: step === next }">
          <span class="bead" aria-hidden="true" /><b>{{ step.name }}</b> <span class="quiet">{{ step.what }}</span>
          <span v-if="step.count" class="mono"> {{ step.count }}</span><span
            v-if="step.done"
            class="quiet"> there already</span>
        </li>
      </ol>
      <p class="acts"><v-btn color="primary" :to="next.to" :active="false">{{ next.act }}</v-btn> <v-btn
        variant="text"
        color="primary"
        to="/schedule?make=table"
        :active="false">Bring in a table</v-btn> <v-btn
          variant="text"
          color="primary"
          @click="guided = true">Guide me through</v-btn></p>
    </template>
    <p v-else-if="begun" class="quiet">A planner adds places and ways, and writes the first cables.</p>
  </div>
</template>

<style scoped>
.first {
  max-width: 560px;
  margin: 40px auto;
  padding: 0 20px;
  font-size: 15px;
}
ol {
  list-style: none;
  margin: 14px 0 18px;
  padding: 0 0 0 4px;
}
li {
  position: relative;
  padding: 7px 0 7px 28px;
  border-left: 2px solid var(--line);
}
.bead {
  position: absolute;
  left: -8px;
  top: 10px;
  width: 14px;
  height: 14px;
  border-radius: 50%;
  border: 2px solid var(--slate);
  background: var(--paper);
}
.done .bead {
  background: var(--verdigris);
  border-color: var(--verdigris);
}
.next .bead {
  border-color: var(--copper);
  border-width: 4px;
}
/* At the bench and on site it is pressed with a glove. */
@media (max-width: 700px), (pointer: coarse) {
  .acts :deep(.v-btn) {
    min-height: 48px;
  }
}
</style>
