<script setup lang="ts">
import { computed } from 'vue'
import { asked, choose, looking } from '../../api/ask'
import ImpactView from './ImpactView.vue'

/** Before an edit overtakes work that is done: what it costs, and three ways on. */
const open = computed({
  get: () => asked.value !== null,
  set: value => {
    if (!value && !looking.value) choose('drop')
  },
})
</script>

<template>
  <v-dialog v-model="open" max-width="860" scrollable aria-labelledby="impact-title">
    <v-card v-if="asked" class="pa-5" role="alertdialog">
      <h1 id="impact-title">{{ asked.words }}</h1>
      <p class="quiet lead">Nothing is changed yet. Work that is done would no longer fit.</p>
      <div class="scroll"><ImpactView :impact="asked" :looking="looking" @look="choose('weigh')" /></div>
      <p class="acts">
        <v-btn color="primary" :disabled="looking" @click="choose('accept')">Make the change</v-btn>
        <v-btn variant="outlined" color="primary" :disabled="looking" @click="choose('park')">
          Put it aside as a draft</v-btn>
        <v-btn variant="text" autofocus :disabled="looking" @click="choose('drop')">Leave it as it is</v-btn>
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.lead {
  margin: 2px 0 12px;
}
.scroll {
  overflow: auto;
  max-height: 62vh;
}
.acts {
  margin: 16px 0 0;
}
</style>
