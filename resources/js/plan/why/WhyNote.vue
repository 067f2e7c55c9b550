<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, saying } from '../../api/client'
import type { Answer } from '../../api/answers'
import { useSession } from '../../api/session'
import { when } from '../../ui/dates'
import { photo } from '../../work/bench/photo'

/** Why something was decided: a note and photos beside it, said by whoever plans. */
const props = defineProps<{ kind: string; of: string; name: string }>()
type Why = Answer<'whys/x/y', 'get'>
const session = useSession()
const why = ref<Why | null>(null)
const draft = ref<string | null>(null)
const problem = ref('')
const busy = ref(false)
const press = computed(() => (why.value?.note ? 'change what it says' : 'say why'))
const path = () => `whys/${props.kind}/${encodeURIComponent(props.of)}`

async function attempt(work: () => Promise<Why>) {
  problem.value = ''
  busy.value = true
  try {
    why.value = await work()
    return true
  } catch (error) {
    problem.value = saying(error)
    return false
  } finally {
    busy.value = false
  }
}
const load = () => attempt(() => api.get(path()))
watch(() => [props.kind, props.of], load, { immediate: true })

const write = (note: string, pictures: string[]) =>
  attempt(() => api.put(path(), { note, pictures, version: why.value?.version ?? 0 }))
async function save() {
  if (await write(draft.value ?? '', why.value?.pictures ?? [])) draft.value = null
}
async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  await attempt(async () => {
    const form = new FormData()
    form.append('picture', await photo(file), file.name)
    form.append('version', String(why.value?.version ?? 0))
    return api.post(path(), form)
  })
  input.value = ''
}
const without = (picture: string) =>
  write(
    why.value?.note ?? '',
    (why.value?.pictures ?? []).filter(each => each !== picture),
  )
</script>

<template>
  <section class="why" :aria-label="`Why ${name}`">
    <p v-if="why?.version && draft === null" class="said"><b>Why</b> {{ why.note }} <span
      class="quiet">{{ why.by }}, {{ when(why.at) }}</span></p>
    <p v-if="why?.pictures.length" class="pictures">
      <span v-for="picture in why.pictures" :key="picture"><a :href="$file(`pictures/${picture}`)" target="_blank"><img
        :src="$file(`pictures/${picture}`)"
        :alt="`Photo of why ${name}, by ${why.by}`"
        height="72"></a><button
          v-if="session.plans"
          type="button"
          :disabled="busy"
          :aria-label="`take out the photo of why ${name}`"
          @click="without(picture)">take out</button></span>
    </p>
    <form v-if="draft !== null" @submit.prevent="save">
      <v-textarea
        v-model="draft"
        :label="`Why ${name}`"
        rows="2"
        auto-grow
        max-rows="8"
        maxlength="4000"
        hide-details
        autofocus
        @keydown.esc="draft = null" />
      <p class="acts"><v-btn type="submit" size="small" color="primary" :loading="busy">Save</v-btn><v-btn
        size="small"
        variant="text"
        @click="draft = null">Cancel</v-btn></p>
    </form>
    <p v-else-if="session.plans" class="acts">
      <button type="button" :disabled="!why" @click="draft = why?.note ?? ''">{{ press }}</button>
      <label><input
        class="visually-hidden"
        type="file"
        accept="image/*"
        :disabled="busy"
        @change="take">add a photo of why</label>
    </p>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.why {
  font-size: 13px;
  margin-bottom: 8px;
}
.why p {
  margin: 3px 0;
}
.said {
  white-space: pre-line;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.pictures span {
  display: grid;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
button,
label {
  color: var(--verdigris);
  text-decoration: underline;
  cursor: pointer;
  background: none;
  border: 0;
  padding: 0;
  font: inherit;
}
button:focus-visible,
label:focus-within {
  outline: 2px solid var(--copper);
}
@media (max-width: 700px) {
  button,
  label {
    min-height: 44px;
    display: inline-flex;
    align-items: center;
  }
}
</style>
