<script setup lang="ts">
import { computed } from 'vue'
import type { Rerouted } from '../../api/building'
import { STAGE } from '../../ui/stages'
import { inWords, length } from '../../ui/units'

/** What a change of the building or of a loom did, or would do, to the runs. */
const props = defineProps<{ changes: Rerouted; would?: boolean }>()
const nothing = computed(
  () =>
    props.changes.routesCount === 0 &&
    props.changes.cutsCount === 0 &&
    props.changes.comes.length === 0 &&
    props.changes.goes.length === 0,
)
const built = computed(() =>
  props.changes.overtaken.map(each => {
    const at = each.lastIndexOf(' ')
    return `${each.slice(0, at)} ${STAGE[each.slice(at + 1)] ?? each.slice(at + 1)}`
  }),
)
</script>

<template>
  <div class="rerouted" aria-live="polite">
    <p
      v-if="nothing"
      class="quiet">No run {{ would ? 'would lie' : 'lies' }} elsewhere, and no cut
      {{ would ? 'would change' : 'changed' }}.</p>
    <details v-if="changes.routesCount" open>
      <summary>
        <b>{{ changes.routesCount }}</b> {{ changes.routesCount === 1 ? 'run' : 'runs' }}
        {{ would ? 'would go' : 'now go' }} another way</summary>
      <table class="lines"><tbody><tr
        v-for="each in changes.routes"
        :key="each.code"><td class="mono">{{ each.code }}</td><td><s
          v-if="each.was.length"
          class="quiet">{{ each.was.join(', ') }}</s><span
            v-else
            class="quiet">no way</span><br>{{ each.is.join(', ') || 'no way' }}</td></tr></tbody></table>
    </details>
    <details v-if="changes.cutsCount" open>
      <summary>
        <b>{{ changes.cutsCount }}</b> {{ changes.cutsCount === 1 ? 'cut' : 'cuts' }}
        {{ would ? 'would change' : 'changed' }}</summary>
      <table class="lines"><tbody><tr
        v-for="each in changes.cuts"
        :key="each.code"><td class="mono">{{ each.code }}</td><td class="mono right">{{ length(each.was) }}</td>
        <td>→</td><td class="mono right"><b>{{ length(each.is) }}</b></td></tr></tbody></table>
    </details>
    <p
      v-if="built.length"
      class="note check">
      <strong>{{ built.length }} done already, {{ would ? 'and would no longer fit' : 'and no longer fit' }}</strong>
      <span class="mono">{{ built.join(', ') }}</span></p>
    <p
      v-for="finding in changes.comes"
      :key="finding.words"
      class="note"
      :class="finding.severity"><strong>New</strong>{{ inWords(finding.words) }} {{ inWords(finding.remedy) }}</p>
    <p
      v-for="finding in changes.goes"
      :key="finding.words"
      class="note good"><strong>Gone</strong>{{ inWords(finding.words) }}</p>
  </div>
</template>

<style scoped>
.rerouted {
  font-size: 13px;
}
summary {
  cursor: pointer;
  padding: 4px 0;
}
summary b {
  font-family: var(--mono);
}
.right {
  text-align: right;
}
.mono {
  white-space: nowrap;
}
</style>
