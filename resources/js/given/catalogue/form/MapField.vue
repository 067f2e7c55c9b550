<script setup lang="ts">
import { computed } from 'vue'
import { typed } from './schema'

/** Pairs of words: what something is named by, and what it has. Either may be picked from what there is. */
const props = defineProps<{
  said: string
  hint: string
  entries: Record<string, unknown>
  /** What the first of each pair may be; undefined: any words. */
  keys?: { id: string; name: string }[]
  values?: { id: string; name: string }[]
  numeric: boolean
}>()
const emit = defineEmits<{ update: [Record<string, unknown>] }>()
const pairs = computed(() => Object.entries(props.entries))
const renamed = (from: string, to: string) =>
  emit('update', Object.fromEntries(pairs.value.map(([key, each]) => [key === from ? to : key, each])))
const set = (key: string, written: string) =>
  emit('update', { ...props.entries, [key]: props.numeric ? typed(written) : written })
const remove = (key: string) => emit('update', Object.fromEntries(pairs.value.filter(([each]) => each !== key)))
const add = () =>
  emit('update', {
    ...props.entries,
    [props.keys?.find(one => !(one.id in props.entries))?.id ?? '']: props.numeric ? 1 : (props.values?.[0]?.id ?? ''),
  })
</script>

<template>
  <fieldset class="group">
    <legend>{{ said }}</legend>
    <p v-if="hint" class="quiet hint">{{ hint }}</p>
    <p v-for="([key, each], i) in pairs" :key="i" class="entry">
      <select
        v-if="keys"
        :aria-label="`${said} ${i + 1}`"
        :value="key"
        @change="renamed(key, ($event.target as HTMLSelectElement).value)"><option
          v-for="one in keys"
          :key="one.id"
          :value="one.id">{{ one.name }}</option></select>
      <input
        v-else
        :aria-label="`${said} ${i + 1}`"
        :value="key"
        @change="renamed(key, ($event.target as HTMLInputElement).value)">
      <select
        v-if="values"
        :aria-label="`${said} ${key}`"
        :value="each"
        @change="set(key, ($event.target as HTMLSelectElement).value)"><option
          v-for="one in values"
          :key="one.id"
          :value="one.id">{{ one.name }}</option></select>
      <input
        v-else
        :aria-label="`${said} ${key}`"
        :value="each"
        @change="set(key, ($event.target as HTMLInputElement).value)">
      <button type="button" :aria-label="`${said} ${key}: take out`" @click="remove(key)">take out</button></p>
    <button type="button" :aria-label="`${said}: add`" @click="add">add</button>
    <slot />
  </fieldset>
</template>

<style scoped src="./form.css" />
