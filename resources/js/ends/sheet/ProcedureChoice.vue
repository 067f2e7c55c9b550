<script setup lang="ts">
import { ref } from 'vue'
import { api, saying } from '../../api/client'
import type { TypeLine } from '../../api/types'

/** Another procedure for these legs than their connector names. */
const props = defineProps<{ run: string; side: string; version: number; legs: string[]; chosen: string }>()
const emit = defineEmits<{ changed: [] }>()
const known = ref<TypeLine[]>([])
const open = ref(false)
const problem = ref('')
async function show() {
  open.value = true
  if (known.value.length === 0) known.value = (await api.get('types')).procedure
}
async function choose(procedure: string) {
  problem.value = ''
  try {
    await api.put(`runs/${props.run}/ends/${props.side}/procedure`, {
      legs: props.legs,
      procedure,
      version: props.version,
    })
    open.value = false
    emit('changed')
  } catch (error) {
    problem.value = saying(error)
  }
}
</script>

<template>
  <p class="choice">
    <button
      v-if="!open"
      type="button"
      @click="show">{{ chosen ? 'Chosen for this end; choose again' : 'Make it by another procedure' }}</button>
    <select
      v-else
      aria-label="Procedure"
      :value="chosen"
      @change="choose(($event.target as HTMLSelectElement).value)"><option value="">as its connector has it</option>
      <option
        v-for="each in known"
        :key="each.id"
        :value="each.id">{{ each.name }}</option></select>
    <span v-if="problem" class="note failed" role="alert">{{ problem }}</span>
  </p>
</template>

<style scoped src="../../ui/inline.css" />
<style scoped>
.choice {
  margin: 2px 0 0;
  font-size: 13px;
}
</style>
