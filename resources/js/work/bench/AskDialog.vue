<script setup lang="ts">
import { computed, ref } from 'vue'
import { late } from '../../ui/late'

const NamePeople = late(() => import('./NamePeople.vue'))

const props = defineProps<{ what: 'pause' | 'skip' | 'flag' | 'hold' | 'ask'; unforgiving: boolean }>()
const emit = defineEmits<{ told: [words: string, flag?: string, asks?: string[]]; close: [] }>()
const words = ref('')
const flag = ref('damaged')
const open = ref(true)
const names = ref<{ key: (event: KeyboardEvent) => boolean; asks: () => string[] } | null>(null)
const texts = computed(
  () =>
    ({
      pause: {
        title: 'Pause',
        field: 'Why',
        action: 'Pause',
        usual: ['break', 'tool missing', 'parts missing', 'called away', 'end of the shift'],
      },
      skip: {
        title: 'Leave this out',
        field: 'Why it is left out',
        action: 'Leave it out',
        usual: ['not fitted on this end', 'part missing, comes later', 'done another way'],
      },
      flag: { title: 'Flag this contact', field: 'What happened', action: 'Flag it', usual: [] },
      hold: {
        title: 'Stop this job',
        field: 'What is wrong',
        action: 'Stop it',
        usual: ['wrong cable', 'part wrong or missing', 'drawing is not clear'],
      },
      ask: { title: 'Ask', field: 'Question', action: 'Ask', usual: [] },
    })[props.what],
)
const needed = computed(() => props.what !== 'flag')
function tell() {
  if (needed.value && !words.value.trim()) return
  emit('told', words.value.trim() || flag.value, flag.value, names.value?.asks())
}
function onKey(event: KeyboardEvent) {
  if (names.value?.key(event) || event.key !== 'Enter' || event.shiftKey) return
  event.preventDefault()
  tell()
}
</script>

<template>
  <v-dialog v-model="open" max-width="460" @after-leave="emit('close')">
    <v-card class="pa-5">
      <form @submit.prevent="tell">
        <h1>{{ texts.title }}</h1>
        <p
          v-if="what === 'skip' && unforgiving"
          class="note stop">
          <strong>Once the connector is on, this does not go on any more.</strong>The end will show that it was left
          out, and why.</p>
        <fieldset v-if="what === 'flag'"><legend class="visually-hidden">What is it</legend><label
          v-for="each in ['damaged', 'extracted', 'redone']"
          :key="each"><input v-model="flag" type="radio" :value="each"> {{ each }}</label></fieldset>
        <p v-if="texts.usual.length" class="usual"><button
          v-for="each in texts.usual"
          :key="each"
          type="button"
          @click="words = each">{{ each }}</button></p>
        <v-textarea
          v-model="words"
          :label="texts.field"
          rows="2"
          auto-grow
          autofocus
          maxlength="500"
          @keydown="onKey" />
        <NamePeople v-if="what === 'ask'" ref="names" v-model="words" />
        <div class="acts"><v-btn variant="outlined" @click="emit('close')">Not now</v-btn><v-btn
          type="submit"
          color="primary"
          :disabled="needed && !words.trim()">{{ texts.action }}</v-btn></div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.usual {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 12px 0;
}
.usual button {
  all: unset;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 12px;
  cursor: pointer;
}
.usual button:focus-visible {
  outline: 2px solid var(--copper);
}
fieldset {
  border: 0;
  padding: 0;
  margin: 12px 0;
  display: flex;
  gap: 18px;
  font-size: 16px;
}
.acts .v-btn,
.usual button {
  min-height: 48px;
  box-sizing: border-box;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
  margin-top: 12px;
}
</style>
