<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api } from '../../api/client'
import type { SheetLeg } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { short } from '../../ui/units'

/** How far a leg has to reach: as it is planned, or as somebody measures it on the equipment. */
const props = defineProps<{ run: string; side: string; version: number; leg: SheetLeg; named: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const measured = ref('')
const { problem, busy, attempt } = useAttempt()
const what = computed(() => (props.named ? `${props.leg.label}: measured` : 'Measured'))
watch(
  () => props.leg,
  leg => {
    measured.value = leg.measured ? short(leg.measured) : ''
  },
  { immediate: true },
)
const keep = (onEquipment: boolean, length: string) =>
  attempt(async () => {
    await api.put(`runs/${props.run}/ends/${props.side}/reach`, {
      leg: props.leg.id,
      onEquipment,
      measured: length,
      version: props.version,
    })
    emit('changed')
  })
</script>

<template>
  <div class="reach">
    <label><input
      type="checkbox"
      :checked="leg.onEquipment"
      :disabled="busy"
      @change="keep(($event.target as HTMLInputElement).checked, '')"> {{ what }} on the equipment before it is
      cut</label>
    <form v-if="leg.onEquipment" @submit.prevent="keep(true, measured)">
      <label>It reaches <input
        v-model="measured"
        class="length"
        :placeholder="`less than ${short(leg.opened)}`"
        :disabled="busy"></label>
      <button type="submit" :disabled="busy || measured.trim() === ''">keep what was measured</button>
      <span class="quiet">{{ leg.measured ? `${short(leg.measured)} was measured` : 'nobody has measured it yet' }},
        from where it leaves the sheath</span>
    </form>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.reach {
  margin: 8px 0;
  font-size: 13px;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 6px 0 0 24px;
}
.length {
  width: 120px;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
button {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 10px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  cursor: pointer;
}
button:disabled {
  opacity: 0.6;
  cursor: default;
}
:focus-visible {
  outline: 2px solid var(--copper);
}
</style>
