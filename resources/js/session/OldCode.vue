<script setup lang="ts">
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { InstallationRef } from '../api/types'
import { useAttempt } from '../ui/attempt'

/** A code that was printed before codes named their installation. Where it can be of one only, that is opened. */
const props = defineProps<{ run: string; side: string }>()
const { problem, attempt } = useAttempt()
const found = ref<InstallationRef[] | null>(null)
const route = useRoute()
const at = (of: InstallationRef) =>
  route.query.then === 'site'
    ? `/i/${of.address}/site?scan=${encodeURIComponent(props.run)}`
    : `/i/${of.address}/e/${encodeURIComponent(props.run)}/${encodeURIComponent(props.side)}`
void attempt(async () => {
  const { installations } = await api.get(`installations?run=${encodeURIComponent(props.run)}`)
  if (installations.length === 1) window.location.replace(at(installations[0]!))
  else found.value = installations
})
</script>

<template>
  <main class="code">
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-else-if="found === null" role="status">Looking for {{ run }} …</p>
    <template v-else-if="found.length">
      <h1>{{ run }}, end {{ side }}: of which installation?</h1>
      <p>The label does not say, and several of yours have a run of this name.</p>
      <p v-for="each in found" :key="each.id"><v-btn :href="at(each)" size="large" color="primary">{{ each.name
      }}</v-btn></p>
    </template>
    <template v-else>
      <h1>{{ run }} is not of your crew</h1>
      <p>No installation of yours has a run of this name. It may have been removed, or its lead has to take you into the
        crew.</p>
    </template>
  </main>
</template>

<style scoped>
.code {
  padding: 32px;
  max-width: 640px;
}
h1 {
  font-size: 24px;
  margin: 0 0 12px;
}
p {
  margin: 0 0 16px;
}
</style>
