<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { Coverage } from '../../api/test'
import { useAttempt } from '../../ui/attempt'

/** What the methods of this test cannot see, worked out by making every credible fault in the wiring. */
const props = defineProps<{ id: string; methods: string[] }>()
defineEmits<{ add: [method: string] }>()
const coverage = ref<Coverage | null>(null)
const { problem, attempt } = useAttempt()
const chosen = computed(() => [...new Set(props.methods)].sort().join(','))
watch(
  [() => props.id, chosen],
  () =>
    chosen.value &&
    attempt(async () => {
      coverage.value = await api.get(`runs/${props.id}/coverage?checks=${chosen.value}`)
    }),
  { immediate: true },
)
const words = computed(() =>
  (coverage.value?.checks ?? [])
    .filter(check => check.chosen)
    .map(check => check.words)
    .join('; '),
)
</script>

<template>
  <section class="coverage" aria-label="What this cannot see">
    <p
      v-if="problem && !coverage"
      class="quiet">What this test cannot see is worked out by the server; it is out of reach.</p>
    <div v-if="coverage" class="note" :class="coverage.unseen.length ? 'check' : 'good'">
      <strong>{{ coverage.unseen.length ? 'What this can\'t see' : 'This shows every fault that was tried' }}</strong>
      <span class="quiet">{{ coverage.seen }} of {{ coverage.faults }} faults would show, with {{ words }}.</span>
      <ul v-if="coverage.unseen.length">
        <li
          v-for="each in coverage.unseen"
          :key="each.kind + (each.add?.id ?? '')">{{ each.names[0] }}{{ each.count > 1
            ? `, and ${each.count - 1} more of its kind` : '' }}.{{ each.consequence ? ` ${each.consequence}` : '' }}
          <button
            v-if="each.add"
            type="button"
            @click="$emit('add', each.add.id)">Add: {{ each.add.words }}</button><span
              v-else
              class="quiet">{{ each.kind === 'loose' ? 'No reading of mains shows it: tug each joint while it is open.'
                : 'No reading shows it: cores of one colour.' }}</span></li>
      </ul>
      <span class="quiet">A stray strand that does not touch today shows in no reading: look, and wiggle while you
        test.</span>
    </div>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0;
  padding-left: 18px;
}
button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 2px;
}
button:focus-visible {
  outline: 2px solid var(--copper);
}
</style>
