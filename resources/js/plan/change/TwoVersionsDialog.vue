<script setup lang="ts">
import { computed } from 'vue'
import { apart, differing, take } from '../../api/stale'

/** Somebody else was first: both versions, and which one it is to be. */
const fields = computed(() => (apart.value ? differing(apart.value) : []))
</script>

<template>
  <v-dialog :model-value="apart !== null" max-width="680" persistent scrollable aria-labelledby="versions-title">
    <v-card v-if="apart" class="pa-5" role="alertdialog">
      <h1 id="versions-title">Two versions</h1>
      <p>{{ apart.message }}</p>
      <div class="scroll"><table class="lines">
        <thead><tr><th /><th>Yours</th><th>Stands now</th></tr></thead>
        <tbody><tr
          v-for="each in fields"
          :key="each.field"><td>{{ each.field }}</td><td class="mono">{{ each.yours }}</td>
          <td class="mono">{{ apart.theirs ? each.theirs : 'removed' }}</td></tr></tbody>
      </table></div>
      <p class="acts">
        <v-btn v-if="apart.theirs" color="primary" @click="take('mine')">Save mine over it</v-btn>
        <v-btn
          variant="outlined"
          color="primary"
          @click="take('theirs')">{{ apart.theirs ? 'Leave theirs' : 'Close' }}</v-btn>
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.scroll {
  overflow: auto;
  max-height: 50dvh;
}
.acts {
  margin: 16px 0 0;
}
</style>
