<script setup lang="ts">
import { computed } from 'vue'
import type { Consequences } from '../../api/types'
import { STAGE } from '../../ui/stages'
import NameList from './NameList.vue'

const props = defineProps<{ changes: Consequences }>()
const SHOWN = 4
const built = computed(() => ({
  ...props.changes.overtaken,
  names: props.changes.overtaken.names.map(each => {
    const at = each.lastIndexOf(' ')
    return `${each.slice(0, at)} ${STAGE[each.slice(at + 1)] ?? each.slice(at + 1)}`
  }),
}))
const nothing = computed(
  () =>
    props.changes.joints === 0 &&
    [props.changes.ends, props.changes.cuts, props.changes.labels, props.changes.tests].every(few => few.count === 0) &&
    props.changes.comes.length === 0 &&
    props.changes.goes === 0,
)
</script>

<template>
  <p v-if="nothing" class="quiet">No joint, length, label or test. Sheets will state it.</p>
  <dl v-else>
    <template v-if="changes.joints"><dt>{{ changes.joints }}</dt>
      <dd>joints come, go or move, at {{ changes.ends.count }} {{ changes.ends.count === 1 ? 'end' : 'ends' }}:
        <NameList :few="changes.ends" />
      </dd></template>
    <template v-if="changes.cuts.count"><dt>{{ changes.cuts.count }}</dt>
      <dd>cut lengths: <NameList :few="changes.cuts" /></dd></template>
    <template v-if="changes.labels.count"><dt>{{ changes.labels.count }}</dt>
      <dd>runs with other labels: <NameList :few="changes.labels" /></dd></template>
    <template v-if="changes.tests.count"><dt>{{ changes.tests.count }}</dt>
      <dd>runs that should read otherwise: <NameList :few="changes.tests" /></dd></template>
    <template v-if="changes.goes"><dt>{{ changes.goes }}</dt><dd>findings would be gone</dd></template>
  </dl>
  <p
    v-if="built.count"
    class="note check"><strong>{{ built.count }} done already, and would no longer fit</strong><NameList :few="built" />
  </p>
  <p
    v-for="finding in changes.comes.slice(0, SHOWN)"
    :key="finding.words"
    class="note"
    :class="finding.severity">{{ finding.words }} {{ finding.remedy }}</p>
  <p
    v-if="changes.comes.length > SHOWN"
    class="quiet">and {{ changes.comes.length - SHOWN }}{{ changes.comes.length >= 12 ? ' or more' : '' }} further
    findings</p>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 10px;
  margin: 0;
  font-size: 13px;
}
dt {
  font: 600 16px var(--mono);
  text-align: right;
}
dd {
  margin: 0;
}
</style>
