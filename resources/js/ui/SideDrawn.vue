<script setup lang="ts">
/** From which of its two sides a connector is drawn. */
const side = defineModel<'face' | 'wiring'>({ required: true })
const SIDES = [
  { value: 'wiring', words: 'Wiring side' },
  { value: 'face', words: 'Mating face' },
] as const
</script>

<template>
  <fieldset class="side"><legend class="visually-hidden">Side drawn</legend>
    <button
      v-for="each in SIDES"
      :key="each.value"
      type="button"
      :aria-pressed="side === each.value"
      @click="side = each.value">{{ each.words }}</button>
  </fieldset>
</template>

<style scoped>
.side {
  border: 1px solid var(--verdigris);
  border-radius: 4px;
  padding: 0;
  display: flex;
  overflow: hidden;
}
button {
  all: unset;
  padding: 6px 12px;
  font-size: 13px;
  font-weight: 600;
  color: var(--verdigris);
  cursor: pointer;
}
button[aria-pressed='true'] {
  background: var(--verdigris);
  color: var(--on-action);
}
button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
</style>
