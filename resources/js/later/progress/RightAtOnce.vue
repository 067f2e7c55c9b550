<script setup lang="ts">
import { ref } from 'vue'
import type { Family } from '../../api/crew'
import type { ProgressAnswer } from '../../api/progress'
import RunsBehind from './RunsBehind.vue'
import ShareBar from './ShareBar.vue'

/** What went right at once, and what was found where it did not. */
defineProps<{ tests: ProgressAnswer['tests']; families: Family[] }>()
const looked = ref<ProgressAnswer['tests'][number] | null>(null)
const percent = (share: number) => `${Math.round(100 * share)} %`
const found = (family: Family) =>
  Object.entries(family.found)
    .map(([what, count]) => `${what} (${count})`)
    .join('; ')
</script>

<template>
  <section>
    <h2>Right the first time</h2>
    <p v-if="tests.length + families.length === 0" class="quiet">Nothing has been tested or looked over yet.</p>
    <table v-else class="lines">
      <thead><tr><th>What</th><th /><th>At once</th><th>Found</th></tr></thead>
      <tbody>
        <tr v-for="test in tests" :key="test.stage"><td>first test {{ test.words }}</td>
          <td><ShareBar :share="test.passed / test.of" /></td>
          <td class="mono">{{ percent(test.passed / test.of) }}</td>
          <td>{{ test.passed }} of {{ test.of }} passed<template v-if="test.passed < test.of">: <button
            type="button"
            class="plain"
            @click="looked = test">those that failed</button></template></td>
        </tr>
        <tr v-for="each in families" :key="each.family"><td>{{ each.name }}</td>
          <td><ShareBar v-if="each.yield !== null" :share="each.yield / 100" /></td>
          <td class="mono">{{ each.yield === null ? '' : `${each.yield} %` }}</td><td>{{ found(each) }}</td></tr>
      </tbody>
    </table>
    <RunsBehind
      v-if="looked"
      of="first-tests"
      :stage="looked.stage"
      :words="`Failed their first test ${looked.words}`"
      @close="looked = null" />
  </section>
</template>
