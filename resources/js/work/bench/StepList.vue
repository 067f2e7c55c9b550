<script setup lang="ts">
import { length, short } from '../../ui/units'
import type { useJob } from './useJob'

const open = defineModel<boolean>({ required: true })
const props = defineProps<{ bench: ReturnType<typeof useJob> }>()
const places = (pieces: { place: string }[]) =>
  pieces[0]!.place + (pieces.length > 1 ? ` and ${pieces.length - 1} more` : '')
const count = (pieces: { id: string }[]) => pieces.filter(each => props.bench.settled(each.id)).length
function go(id: string) {
  props.bench.go(id)
  open.value = false
}
</script>

<template>
  <v-dialog v-model="open" max-width="720" scrollable>
    <v-card>
      <div class="head"><h1>Steps</h1><v-btn size="small" variant="outlined" @click="open = false">Close</v-btn></div>
      <ol>
        <li
          v-for="step in bench.job.value?.steps ?? []"
          :key="step.number"
          :class="{ done: count(step.pieces) === step.pieces.length,
                    here: step.pieces.some(each => each.id === bench.at.value) }">
          <button type="button" @click="go((step.pieces.find(each => !bench.settled(each.id)) ?? step.pieces[0]!).id)">
            <span class="mono">{{ step.number }}</span>
            <span class="bead" />
            <span class="words">{{ step.pieces[0]!.words }}<small>{{ places(step.pieces) }}
              <template v-if="step.pieces[0]!.tool"> · {{ step.pieces[0]!.tool }}</template></small></span>
            <span class="mono">{{ step.pieces[0]!.at ? (step.task === 'cut' ? length : short)(step.pieces[0]!.at)
              : '' }}</span>
            <span class="mono">{{ count(step.pieces) }}/{{ step.pieces.length }}</span>
          </button>
          <p
            v-for="each in step.pieces.filter(each => bench.standing(each.id).status === 'skipped')"
            :key="each.id"
            class="out">Left out, {{ each.place }}: {{ bench.standing(each.id).note }}
            ({{ bench.standing(each.id).by }})</p>
          <p
            v-if="step.pieces.every(each => bench.standing(each.id).status === 'found')"
            class="out">It was found so.</p>
        </li>
      </ol>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  padding: 16px 20px 8px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0 10px 14px;
  overflow: auto;
}
li button {
  all: unset;
  display: grid;
  grid-template-columns: 30px 16px minmax(0, 1fr) 84px 60px;
  gap: 10px;
  align-items: center;
  width: 100%;
  padding: 6px 10px;
  cursor: pointer;
  box-sizing: border-box;
  border-radius: 4px;
}
@media (max-width: 700px) {
  li button {
    grid-template-columns: 26px 14px minmax(0, 1fr) auto auto;
    gap: 6px;
  }
  li button .mono:empty {
    display: none;
  }
}
li button:hover {
  background: var(--paper);
}
li button:focus-visible {
  outline: 2px solid var(--copper);
}
.mono {
  text-align: right;
}
.bead {
  width: 12px;
  height: 12px;
  border-radius: 50%;
  border: 1.6px solid var(--quiet);
}
.done .bead {
  background: var(--verdigris);
  border-color: var(--verdigris);
}
.here button {
  background: var(--chosen);
}
.here .bead {
  border-color: var(--copper);
}
small {
  display: block;
  color: var(--slate);
}
.out {
  margin: 0 0 4px 66px;
  color: var(--flux);
  font-size: 13px;
}
</style>
