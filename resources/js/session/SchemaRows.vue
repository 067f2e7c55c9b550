<script setup lang="ts">
import { computed } from 'vue'
import { limits, parts, type Schema, words } from './schema'

/** Fields of something that is sent or answered, and which parts of the contract they are made of. */
const props = defineProps<{ schema: Schema; where?: string }>()
const emit = defineEmits<{ part: [string] }>()
const rows = computed(() => {
  const fields = Object.entries(props.schema.properties ?? {})
  return fields.length
    ? fields.map(([name, schema]) => ({ name: `${name}${props.schema.required?.includes(name) ? '' : '?'}`, schema }))
    : [{ name: props.where ?? '', schema: props.schema }]
})
/** What is said before the part that it ends with, which is a link. */
function before(schema: Schema): string {
  const [said, [part, ...more]] = [words(schema), parts(schema)]
  return part && !more.length && said.endsWith(part) ? said.slice(0, -part.length) : said
}
</script>

<template>
  <tr v-for="row in rows" :key="row.name">
    <th scope="row" class="mono">{{ row.name }}</th>
    <td>{{ before(row.schema) }} <template v-for="part in parts(row.schema)" :key="part"><a
      :href="`#${part}`"
      @click="emit('part', part)">{{ part }}</a> </template><span class="quiet">{{ limits(row.schema) }}
        {{ row.schema.description }}</span></td>
  </tr>
</template>

<style scoped>
th {
  text-align: left;
  font-weight: 500;
  padding: 3px 18px 3px 0;
  vertical-align: top;
}
td {
  padding: 3px 0;
  overflow-wrap: anywhere;
}
</style>
