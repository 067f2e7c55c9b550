<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { api, ApiError } from '../../../api/client'
import { useErrand } from '../../../api/errand'
import { visit } from '../../../api/page'
import ErrandBar from '../../../ui/ErrandBar.vue'
import WrongTable from '../../../ui/WrongTable.vue'
import { many } from '../../../ui/words'
import ColumnsTaken from './ColumnsTaken.vue'
import ComingIn from './ComingIn.vue'
import MissingFields from './MissingFields.vue'
import WordsTaken from './WordsTaken.vue'
import WrongCells from './WrongCells.vue'
import { useImport } from './useImport'

const open = defineModel<boolean>({ required: true })
/** Text from the clipboard, read like a file. */
const pasted = defineModel<string>('pasted', { default: '' })
const emit = defineEmits<{ imported: [] }>()
const of = useImport()
const { file, sheets, picked, answer, problems, message, busy, isWhole, isReady, isCurrent } = of
const done = ref('')

/** What was said of a file is there still when this is opened again; pasted rows begin anew. */
watch(
  open,
  value => {
    if (!value) {
      pasted.value = ''
      return
    }
    if (done.value) of.reset()
    done.value = ''
    if (pasted.value) void of.take(new File([pasted.value], 'clipboard.tsv', { type: 'text/tab-separated-values' }))
  },
  { immediate: true },
)
const { errand, calledOff, follow, callOff } = useErrand(
  'arrival',
  told =>
    of.run(async () => {
      if (told.state === 'failed') throw new ApiError(422, told.problem, { problems: told.problems })
      // Who has closed this meanwhile stays where they are.
      if (told.state === 'done' && open.value) visit({ address: String(told.result.address) })
    }),
  'arrivals',
)
function chosen(event: Event) {
  const field = event.target as HTMLInputElement
  const it = field.files?.[0] ?? null
  // The same file, mended, is chosen again.
  field.value = ''
  done.value = ''
  if (it) void of.take(it)
}
/** What stands between the file and the button. */
const waits = computed(() => {
  if (!answer.value || busy.value) return ''
  const words = of.unsaid.value.length
  const rows = of.wrong.value.length
  const fields = answer.value.missing.length
  const open = [
    fields ? `${many(fields, 'column')} missing` : '',
    words ? `${many(words, 'word')} to explain` : '',
    rows ? `${many(rows, 'cell')} to put right` : '',
  ].filter(Boolean)
  return open.length ? `Before it can come in: ${open.join(', ')}.` : ''
})
const isPasted = computed(() => file.value?.name === 'clipboard.tsv')
const picks = (name: string, event: Event) => of.pick(name, (event.target as HTMLInputElement).checked)
function bringIn() {
  void of.run(async () => {
    if (isWhole.value) {
      const data = new FormData()
      data.append('file', file.value as File)
      await follow(await api.post('arrivals', data))
      return
    }
    const imported = await of.bringIn()
    done.value = `${many(imported, 'run')} ${imported === 1 ? 'is' : 'are'} imported. u in the schedule undoes it.`
    answer.value = null
    problems.value = []
    emit('imported')
  })
}
</script>

<template>
  <v-dialog v-model="open" max-width="980" scrollable>
    <v-card class="pa-5 import">
      <h1>Import</h1>
      <p class="quiet">Runs from a CSV or a workbook, whatever its columns are called (<a
        :href="$file('runs-template.csv')"
        download>template</a>), or a whole installation as Sartal's JSON file.</p>
      <p class="pick"><label class="choose">{{ file ? 'Choose another file' : 'Choose a file' }}<input
        type="file"
        accept=".csv,.tsv,.txt,.xlsx,.json,text/csv,application/json"
        aria-label="File to import"
        @change="chosen"></label> <span v-if="file">{{ isPasted ? 'Rows that were pasted' : file.name }}</span></p>
      <v-progress-linear v-if="busy" indeterminate color="primary" aria-label="Reading the file" />
      <ErrandBar
        v-if="errand"
        :errand="errand"
        :called-off="calledOff"
        of="the file"
        @call-off="of.run(callOff)" />
      <p v-if="message" class="note failed" role="alert">{{ message }}</p>
      <p v-if="done" class="note good" role="status">{{ done }}</p>
      <div class="scroll">
        <fieldset v-if="sheets.length > 1 && !done" class="ask"><legend>Sheets that hold runs</legend>
          <label v-for="sheet in sheets" :key="sheet.name">
            <input
              type="checkbox"
              :checked="picked.includes(sheet.name)"
              @change="picks(sheet.name, $event)"> {{ sheet.name }}
            <span class="quiet">{{ many(sheet.rows, 'row') }}</span></label>
        </fieldset>
        <template v-if="answer">
          <ColumnsTaken :of="of" />
          <MissingFields :of="of" />
          <WordsTaken :of="of" />
          <WrongCells :of="of" />
          <ComingIn :of="of" />
        </template>
        <WrongTable v-else-if="problems.length" :problems="problems" />
      </div>
      <p v-if="waits" class="quiet" role="status">{{ waits }}</p>
      <p class="acts">
        <v-btn
          v-if="isReady || (file && isWhole && !message)"
          color="primary"
          :loading="busy"
          :disabled="busy || errand !== null || !isCurrent"
          @click="bringIn">Import
          {{ isWhole ? 'the installation' : many(answer?.runs.length ?? 0, 'run') }}</v-btn>
        <v-btn variant="outlined" @click="open = false">Close</v-btn>
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.import :deep(h2) {
  font-size: 15px;
  margin: 14px 0 4px;
}
.import :deep(.ask) {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 6px 12px 10px;
  margin: 8px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  font-size: 13.5px;
}
.import :deep(.known) > summary {
  cursor: pointer;
  padding: 4px 0;
}
.import :deep(select),
.import :deep(.typed) {
  border: 1px solid var(--quiet);
  border-radius: 4px;
  padding: 3px 6px;
  background: var(--surface);
  color: inherit;
  font: inherit;
}
.choose {
  position: relative;
  display: inline-block;
  border: 1px solid var(--verdigris);
  color: var(--verdigris);
  border-radius: 4px;
  padding: 6px 14px;
  font-weight: 600;
  cursor: pointer;
  overflow: hidden;
}
.choose:focus-within {
  outline: 2px solid var(--copper);
}
.choose input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.pick {
  display: flex;
  align-items: center;
  gap: 10px;
}
.scroll {
  max-height: 62dvh;
  overflow: auto;
}
.acts {
  margin: 16px 0 0;
}
p {
  margin: 8px 0;
}
</style>
