<script setup lang="ts">
import { computed } from 'vue'
import { useSession } from '../api/session'
import { isTakenBack } from './reversed'
import { redoLast, undoLast } from './undo'

/** Beside what was said to be done: it is taken back, or what was taken back is done again. */
const props = defineProps<{ said: string }>()
const emit = defineEmits<{ press: [work: () => Promise<string>] }>()
const session = useSession()
const isBack = computed(() => isTakenBack(props.said))
</script>

<template>
  <v-btn
    v-if="said && session.plans"
    size="small"
    variant="outlined"
    color="primary"
    @click="emit('press', isBack ? redoLast : undoLast)">{{ isBack ? 'Redo' : 'Undo' }}</v-btn>
</template>
