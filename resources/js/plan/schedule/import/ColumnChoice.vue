<script setup lang="ts">
import { fieldName } from './names'

/** Which field of a run one column of a file holds. */
const { name, field, fields } = defineProps<{ name: string; field: string; fields: string[] }>()
defineEmits<{ choose: [field: string] }>()
</script>

<template>
  <label><span class="mono">{{ name }}</span> <select
    :aria-label="`${name} holds`"
    :value="field"
    @change="$emit('choose', ($event.target as HTMLSelectElement).value)"><option
      value="-">nothing that is needed</option><option
      v-for="each in fields"
      :key="each"
      :value="each">{{ fieldName(each) }}</option></select></label>
</template>
