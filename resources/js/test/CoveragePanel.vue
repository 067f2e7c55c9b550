<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { api } from '../api/client'
import type { Coverage } from '../api/types'
import { useAttempt } from '../ui/attempt'

/** What the chosen checks cannot see, worked out by making every credible fault in the wiring. */
const props = defineProps<{ id: string, pairs: boolean }>()
const chosen = useLocalStorage<string[]>('sartal.test.checks', ['map', 'shells', 'pairs'])
const coverage = ref<Coverage | null>(null)
const { problem, attempt } = useAttempt()
watch([() => props.id, chosen], () => attempt(async () => { coverage.value = await api.get<Coverage>(`runs/${props.id}/coverage?checks=${chosen.value.join(',')}`) }), { immediate: true, deep: true })
const offered = computed(() => (coverage.value?.checks ?? []).filter(each => each.id !== 'map' && (props.pairs || each.id !== 'pairs')))
function toggle(check: string) {
  chosen.value = chosen.value.includes(check) ? chosen.value.filter(each => each !== check) : [...chosen.value, check]
}
</script>

<template>
  <section class="coverage" aria-label="What this cannot see">
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <template v-if="coverage">
      <fieldset><legend>Checked by the map, and</legend><label v-for="check in offered" :key="check.id"><input type="checkbox" :checked="check.chosen" @change="toggle(check.id)"> {{ check.words }}</label></fieldset>
      <div class="note" :class="coverage.unseen.length ? 'check' : 'good'">
        <strong>{{ coverage.unseen.length ? 'What this can\'t see' : 'This shows every fault that was tried' }}</strong>
        <span class="quiet">{{ coverage.seen }} of {{ coverage.faults }} faults would show.</span>
        <ul v-if="coverage.unseen.length">
          <li v-for="each in coverage.unseen" :key="each.kind + (each.add?.id ?? '')">{{ each.names[0] }}{{ each.count > 1 ? `, and ${each.count - 1} more of its kind` : '' }}.{{ each.consequence ? ` ${each.consequence}` : '' }}
            <button v-if="each.add" type="button" @click="toggle(each.add.id)">Add: {{ each.add.words }}</button><span v-else class="quiet">No reading shows it: cores of one colour.</span></li>
        </ul>
        <span class="quiet">A stray strand that does not touch today shows in no reading: look, and wiggle while you test.</span>
      </div>
    </template>
  </section>
</template>

<style scoped>
fieldset { border: 0; padding: 0; margin: 10px 0 4px; font-size: 13px; display: grid; gap: 2px }
legend { font-weight: 600; padding: 0 }
label { display: flex; gap: 6px; align-items: baseline }
ul { margin: 4px 0; padding-left: 18px }
button { all: unset; cursor: pointer; color: var(--verdigris); text-decoration: underline; text-underline-offset: 2px }
button:focus-visible { outline: 2px solid var(--copper) }
</style>
