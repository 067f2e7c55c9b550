<script setup lang="ts">
import { elsewhere, page } from '../api/page'
import { useSession } from '../api/session'

/** This window is of one installation, and another was opened in this browser since. */
const session = useSession()
async function goOn() {
  await session.reopen()
  // What it shows may have been read before the other one was opened; it is right, and may be old.
  window.location.reload()
}
const leave = () => {
  window.location.assign('/')
}
</script>

<template>
  <div v-if="elsewhere" class="elsewhere" role="alert">
    <p>This window is of <b>{{ page?.name ?? elsewhere.page?.name
      ?? 'another installation' }}</b>, and <b>{{ elsewhere.open.name }}</b> was opened in this browser since. Nothing
      is read or written here until you choose; what you recorded waits.</p>
    <span>
      <button v-if="page" type="button" @click="goOn">Go on with {{ page.name }}</button>
      <button type="button" @click="leave">To {{ elsewhere.open.name }}</button>
    </span>
  </div>
</template>

<style scoped>
.elsewhere {
  background: var(--warn);
  border-bottom: 2px solid var(--amber);
  padding: 10px 16px;
  display: flex;
  gap: 8px 20px;
  flex-wrap: wrap;
  align-items: center;
}
p {
  margin: 0;
  flex: 1 1 320px;
}
span {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
button {
  all: unset;
  cursor: pointer;
  background: var(--surface);
  border: 1px solid var(--verdigris);
  color: var(--verdigris);
  border-radius: 4px;
  padding: 10px 14px;
  font-weight: 600;
}
button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: 2px;
}
</style>
