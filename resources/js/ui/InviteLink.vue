<script setup lang="ts">
import { ref } from 'vue'
import type { Invitation } from '../api/types'
import { copy } from './clipboard'
import { when } from './dates'

/** A link that somebody sets their password by: to be handed over, where nothing mails it. */
const props = defineProps<{ name: string; invitation: Invitation }>()
const copied = ref(false)
async function take() {
  copied.value = await copy(props.invitation.link!)
}
</script>

<template>
  <p class="note good" role="status">
    <template v-if="invitation.link">
      <strong>{{ name }} comes in by this link</strong>
      <input
        class="mono"
        readonly
        :value="invitation.link"
        aria-label="Link to hand over"
        @focus="($event.target as HTMLInputElement).select()">
      <button type="button" @click="take">{{ copied ? 'Copied' : 'Copy' }}</button>
      Hand it to nobody else: whoever opens it sets the password. It holds once, until {{ when(invitation.until) }}, and
      is not shown again.
    </template>
    <template v-else><strong>A link is on its way to {{ invitation.mailedTo }}</strong>It holds once, until
      {{ when(invitation.until) }}.</template>
  </p>
</template>

<style scoped>
input {
  width: 100%;
  max-width: 560px;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 8px;
  margin: 4px 8px 4px 0;
  background: var(--surface);
  color: inherit;
  font-size: 12.5px;
}
button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  padding: 4px 6px;
}
button:focus-visible {
  outline: 2px solid var(--copper);
}
</style>
