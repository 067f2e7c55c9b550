<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api } from '../../api/client'
import { page, visit } from '../../api/page'
import { useAttempt } from '../../ui/attempt'
import { slug } from '../../ui/slug'

/** The next installation begins from this one; what was done here stays here. */
const open = defineModel<boolean>({ required: true })
const { problem, busy, attempt } = useAttempt()
const name = ref('')
const key = ref('')
const takes = ref<'rules' | 'building' | 'runs'>('rules')
const shelf = ref(false)
const crew = ref(true)
/** Follows the name until somebody writes another. */
const own = ref(false)
watch(name, now => {
  if (!own.value) key.value = slug(now)
})
const from = computed(() => page.value?.name ?? '')
const make = () =>
  attempt(async () => {
    const made = await api.post('templates', {
      name: name.value,
      key: key.value,
      building: takes.value !== 'rules',
      runs: takes.value === 'runs',
      shelf: shelf.value,
      crew: crew.value,
    })
    visit(made)
  })
</script>

<template>
  <v-dialog v-model="open" max-width="520" aria-labelledby="template-title">
    <v-card class="pa-5">
      <h1 id="template-title">Begin the next one from {{ from }}</h1>
      <form @submit.prevent="make">
        <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
        <v-text-field v-model="name" label="Name of the new installation" autofocus maxlength="120" />
        <v-text-field v-model="key" label="Short name, for files" maxlength="60" @input="own = true" />
        <fieldset>
          <legend>It takes along</legend>
          <label><input
            v-model="takes"
            type="radio"
            value="rules"> house rules, own types, prices, instruments and test plans</label>
          <label><input
            v-model="takes"
            type="radio"
            value="building"> and the building, its equipment and its panels</label>
          <label><input v-model="takes" type="radio" value="runs"> and every cable, as if nothing was done yet</label>
          <label class="apart"><input v-model="crew" type="checkbox"> its crew, as what they are here</label>
          <label><input v-model="shelf" type="checkbox"> the shelf: reels and what is left on them</label>
        </fieldset>
        <p class="acts"><v-btn
          type="submit"
          color="primary"
          :loading="busy"
          :disabled="!name || !key">Make it, and open it</v-btn><v-btn
            variant="text"
            @click="open = false">Cancel</v-btn></p>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
  margin-top: 10px;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 4px;
  font-size: 14px;
}
legend {
  font-weight: 600;
  padding: 0;
}
label.apart {
  margin-top: 8px;
}
.acts {
  margin: 4px 0 0;
}
</style>
