<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import { api } from '../../api/client'
import type { PlacePart, Rerouted, Way } from '../../api/building'
import type { Leeway } from '../../api/change'
import { useAttempt } from '../../ui/attempt'
import { length } from '../../ui/units'
import WorkedSum from '../../ui/WorkedSum.vue'

/** How far a place may move along its ways before a cable that is cut is too short, and moving it. */
const props = defineProps<{ place: PlacePart; ways: Way[] }>()
const emit = defineEmits<{ moved: [Rerouted] }>()
const { problem, busy, attempt } = useAttempt()
const found = ref<{ lines: Leeway[]; follow: number } | null>(null)
const by = reactive<Record<string, string>>({})
onMounted(() =>
  attempt(async () => {
    found.value = await api.get(`places/${encodeURIComponent(props.place.id)}/leeway`)
  }),
)
const of = (way: string) => found.value?.lines.filter(line => line.way === way) ?? []
const wanted = computed(() =>
  Object.fromEntries(Object.entries(by).filter(([, text]) => text.trim() !== '' && Number.parseFloat(text) !== 0)),
)
const move = () =>
  attempt(async () => {
    const answer = await api.post(`places/${encodeURIComponent(props.place.id)}/move`, {
      by: wanted.value,
    })
    for (const way of Object.keys(by)) by[way] = ''
    emit('moved', answer.rerouted)
  })
</script>

<template>
  <form aria-label="Move it" @submit.prevent="move">
    <h2>If it moves</h2>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div v-for="way in ways" :key="way.part.id" class="way">
      <p><b>{{ way.part.name }}</b></p>
      <template v-if="of(way.part.id).length">
        <p>may become <b class="mono">{{ length(of(way.part.id)[0]!.before) }}</b> longer before
          <b class="mono">{{ of(way.part.id)[0]!.code }}</b> is too short;
          <b class="mono">{{ length(of(way.part.id)[0]!.atMost) }}</b> where slack and spares are used up.</p>
        <details><summary>{{ of(way.part.id).length }} cut already</summary>
          <table class="lines"><thead><tr><th>Run</th><th>Reaches</th><th>With slack</th></tr></thead><tbody><tr
            v-for="line in of(way.part.id)"
            :key="line.run"><td class="mono">{{ line.code }}</td><td><details>
              <summary class="mono">{{ length(line.before) }}</summary><WorkedSum :worked="line.margin" /></details>
            </td>
            <td class="mono">{{ length(line.atMost) }}</td></tr></tbody></table></details>
      </template>
      <p v-else class="quiet">Nothing through it is cut yet.</p>
      <v-text-field
        v-model="by[way.part.id]"
        :label="`${way.part.name} becomes longer by`"
        placeholder="2 m, or -0.5 m"
        density="compact" />
    </div>
    <p class="quiet">{{ found?.follow ?? 0 }} that are not cut follow by themselves. As long as the runs keep their
      ways.</p>
    <v-btn
      type="submit"
      size="small"
      color="primary"
      :loading="busy"
      :disabled="Object.keys(wanted).length === 0">Move it</v-btn>
  </form>
</template>

<style scoped>
form {
  font-size: 13px;
  padding-bottom: 14px;
}
.way {
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
.way p {
  margin: 2px 0;
}
summary {
  cursor: pointer;
  color: var(--slate);
}
</style>
