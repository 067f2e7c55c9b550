<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { CrewAnswer } from '../../api/crew'
import { useAttempt } from '../../ui/attempt'
import FigureSum from '../../ui/FigureSum.vue'
import CrewTabs from './CrewTabs.vue'

const crew = ref<CrewAnswer | null>(null)
const draft = ref({ benches: 0, hours: 7.5, tools: {} as Record<string, number>, wanted: '' })
const added = ref('')
const { problem, said, busy, attempt } = useAttempt()
const load = () =>
  attempt(async () => {
    crew.value = await api.get('crew')
    draft.value = {
      benches: crew.value.workshop.benches ?? 0,
      hours: crew.value.workshop.hours ?? 7.5,
      tools: { ...(crew.value.workshop.tools ?? {}) },
      wanted: crew.value.workshop.wanted ?? '',
    }
  })
onMounted(load)
const rest = computed(() => (crew.value?.tools ?? []).filter(tool => !(tool in draft.value.tools)))
function add() {
  if (added.value) draft.value.tools = { ...draft.value.tools, [added.value]: 1 }
  added.value = ''
}
function drop(tool: string) {
  draft.value.tools = Object.fromEntries(Object.entries(draft.value.tools).filter(([each]) => each !== tool))
}
const save = () =>
  attempt(async () => {
    await api.put('workshop', {
      workshop: { ...draft.value, benches: Number(draft.value.benches), hours: Number(draft.value.hours) },
      version: crew.value!.version,
    })
    await load()
  }, 'Saved: the forecast goes by it.')
</script>

<template>
  <main class="shop">
    <header><h1>Crew</h1><CrewTabs /></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div v-if="crew" class="body">
      <form @submit.prevent="save">
        <v-text-field
          v-model.number="draft.benches"
          type="number"
          min="0"
          label="Benches; 0: as many as there are people" />
        <v-text-field
          v-model.number="draft.hours"
          type="number"
          min="0.5"
          max="24"
          step="0.5"
          label="Hours at work on a day" />
        <v-text-field
          v-model="draft.wanted"
          type="date"
          label="Everything is wanted by" />
        <p class="quiet hint">Progress shows how the work goes against it.</p>
        <h2>Tools of which there are few</h2>
        <p v-for="(_, tool) in draft.tools" :key="tool" class="tool"><span>{{ tool }}</span><input
          v-model.number="draft.tools[tool]"
          type="number"
          min="1"
          :aria-label="`How many: ${tool}`"><button
            type="button"
            @click="drop(String(tool))">at hand for everybody</button></p>
        <p v-if="Object.keys(draft.tools).length === 0" class="quiet">None: every tool is at hand for everybody.</p>
        <p class="tool"><select v-model="added" aria-label="Tool"><option value="">a tool…</option><option
          v-for="tool in rest"
          :key="tool"
          :value="tool">{{ tool }}</option></select><v-btn
            size="small"
            variant="outlined"
            :disabled="!added"
            @click="add">There are few of it</v-btn></p>
        <p><v-btn
          type="submit"
          color="primary"
          :loading="busy">Save</v-btn> <span v-if="said" class="quiet" role="status">{{ said }}</span></p>
      </form>
      <section>
        <h2>How long things take</h2>
        <table class="lines"><thead><tr><th>Work</th><th>Minutes</th><th>By</th></tr></thead>
          <tbody><tr
            v-for="each in crew.times"
            :key="each.pace"><td>{{ each.pace.replace(/-/g, ' ') }}</td><td><FigureSum :figure="each.minutes" /></td>
            <td class="quiet">{{ each.measured ? 'this crew’s record' : 'standard' }}</td></tr></tbody></table>
      </section>
    </div>
  </main>
</template>

<style scoped>
.shop {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 520px) minmax(0, 420px);
  gap: 40px;
  padding: 16px 20px;
  align-items: start;
}
form {
  display: grid;
  gap: 10px;
}
.hint {
  margin: -6px 0 0;
  font-size: 13px;
}
.tool {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 2px 0;
}
.tool span {
  flex: 1;
}
input,
select {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 5px 8px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  max-width: 320px;
}
.tool input {
  width: 64px;
}
.tool button:not(.v-btn) {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  font-size: 13px;
}
.tool button:focus-visible {
  outline: 2px solid var(--copper) !important;
}
@media (max-width: 900px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
