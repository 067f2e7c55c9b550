<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useOutbox } from '../../api/outbox'
import { useSession } from '../../api/session'
import { useAttempt } from '../../ui/attempt'
import { when } from '../../ui/dates'
import { photo } from './photo'
import type { Place, useJob } from './useJob'

/** Photos of the end, and what was asked about it. */
const props = defineProps<{ ids: string; place: Place; bench: ReturnType<typeof useJob> }>()
const emit = defineEmits<{ ask: []; hold: [] }>()
const session = useSession()
const outbox = useOutbox()
const { problem, busy, attempt } = useAttempt()
const answers = ref<Record<string, string>>({})
const end = (step: string) => {
  const at = props.bench.byId.value.get(step)
  return at ? at.piece.run + (at.step.side ?? '') : ''
}
const here = computed(() => end(props.place.piece.id))
const pictures = computed(() => (props.bench.state.value?.pictures ?? []).filter(each => end(each.step) === here.value))
const questions = computed(() =>
  (props.bench.state.value?.questions ?? []).filter(each => !each.answer || end(each.step) === here.value),
)
/** Photos of this end that the server has not got yet. */
const waiting = computed(() =>
  outbox
    .of(`bench/${props.ids}/pictures`)
    .filter(item => item.picture && end(String(item.body.step)) === here.value)
    .map(item => ({ id: item.id, at: item.at, url: URL.createObjectURL(item.picture!) })),
)
watch(waiting, (_now, before) => {
  for (const each of before) URL.revokeObjectURL(each.url)
})
const mayAnswer = computed(() => session.can('planner', 'lead'))

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  await attempt(async () => {
    await props.bench.picture(props.place.piece, await photo(file))
  })
  input.value = ''
}
function answer(id: string) {
  const words = answers.value[id]?.trim()
  if (!words) return
  props.bench.record({ kind: 'answered', run: props.place.piece.run, of: id, note: words })
  answers.value[id] = ''
  window.setTimeout(() => void props.bench.refresh(), 600)
}
</script>

<template>
  <section class="talk">
    <p class="acts">
      <label v-if="session.can('bench', 'installer', 'lead')" class="photo"><input
        class="visually-hidden"
        type="file"
        accept="image/*"
        capture="environment"
        :disabled="busy"
        @change="take">{{ busy ? 'Keeping it…' : 'Photo of this end' }}</label>
      <button type="button" @click="emit('ask')">Ask</button>
      <button type="button" @click="emit('hold')">Stop this job</button>
    </p>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <p v-if="pictures.length || waiting.length" class="pictures"><a
      v-for="each in pictures"
      :key="each.id"
      :href="$file(`pictures/${each.picture}`)"
      target="_blank"><img
        :src="$file(`pictures/${each.picture}`)"
        :alt="`Photo by ${each.by}, ${when(each.at)}`"></a><img
          v-for="each in waiting"
          :key="each.id"
          class="waits"
          :src="each.url"
          :alt="`Photo of ${when(each.at)}, waiting to be sent`"></p>
    <div v-for="each in questions" :key="each.id" class="note"><strong>{{ each.by }} asks: {{ each.note }}</strong>
      <template v-if="each.answer">{{ each.answer.by }}: {{ each.answer.note }}</template>
      <form v-else-if="mayAnswer" @submit.prevent="answer(each.id)"><input
        v-model="answers[each.id]"
        :aria-label="`Answer to: ${each.note}`"
        placeholder="answer"><button type="submit">Answer</button></form>
      <template v-else>Not answered yet.</template>
    </div>
  </section>
</template>

<style scoped>
.talk {
  margin-top: 18px;
}
.acts {
  display: flex;
  gap: 18px;
  flex-wrap: wrap;
  margin: 0;
}
button,
.photo {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 3px;
}
button:focus-visible,
.photo:focus-within {
  outline: 2px solid var(--copper);
}
.pictures {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.pictures img {
  height: 84px;
  border-radius: 4px;
  border: 1px solid var(--line);
}
.pictures .waits {
  border-style: dashed;
  opacity: 0.7;
}
form {
  display: flex;
  gap: 10px;
  margin-top: 6px;
}
form input {
  flex: 1;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 10px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
</style>
