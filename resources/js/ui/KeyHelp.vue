<script setup lang="ts">
import { useRoute } from 'vue-router'
import { letters } from './letters'

const open = defineModel<boolean>({ required: true })
const route = useRoute()
const everywhere = [
  ['/', 'find anything, or do it'],
  ['g r', 'rules'],
  ['g s', 'schedule'],
  ['g l', 'looms'],
  ['g c', 'cutting'],
  ['g p', 'parts'],
  ['g a', 'labels'],
  ['g b', 'bench'],
  ['g w', 'crew'],
  ['g t', 'test'],
  ['g i', 'site'],
  ['g h', 'hand-over'],
  ['g n', 'notices'],
  ['?', 'these keys'],
  ['Esc', 'back out'],
]
const schedule = [
  ['f', 'filter'],
  ['q', 'quick line'],
  ['x', 'mark the run'],
  ['Shift ↑ ↓', 'mark several'],
  ['b', 'change the marked'],
  ['↑ ↓', 'another run'],
  ['← →', 'another cell'],
  ['Enter', 'open the run'],
  ['F2', 'write in the cell'],
  ['Ctrl C', 'copy what is shown of the marked'],
  ['Ctrl D', 'fill the cell down the marked'],
  ['n', 'new run'],
  ['e', 'edit'],
  ['d', 'duplicate'],
  ['Del', 'remove'],
  ['u', 'undo the last change'],
  ['Shift U', 'redo what was undone'],
  ['t', 'test the run'],
]
const test = [
  ['Enter', 'this line as expected'],
  ['0', 'nothing lights'],
  ['2 3', 'contacts 2 and 3 light'],
  ['shell', 'the shell lights'],
  ['↑ ↓', 'another line'],
]
const bench = [
  ['Space', 'it is done'],
  ['Shift Space', 'all of its kind'],
  ['Backspace', 'take the last one back'],
  ['p', 'pause, with a reason'],
  ['x', 'flag the contact'],
  ['k', 'leave it out, with a reason'],
  ['v', 'read aloud'],
  ['w', 'why'],
  ['l', 'all steps'],
  ['r', 'turn the connector'],
  ['m', 'its other side'],
  ['q', 'ask the planner'],
]
const here = () =>
  route.path.startsWith('/bench/')
    ? bench
    : route.path.startsWith('/test/')
      ? test
      : route.path.startsWith('/schedule')
        ? schedule
        : []
</script>

<template>
  <v-dialog v-model="open" max-width="420">
    <v-card class="pa-5">
      <h1>Keys</h1>
      <dl>
        <template
          v-for="[key, does] in [...here(), ...everywhere]"
          :key="key"><dt><kbd>{{ key }}</kbd></dt><dd>{{ does }}</dd></template>
      </dl>
      <label class="letters"><input v-model="letters" type="checkbox"> Letters and signs do something by themselves.
        Off, they do nothing: for whoever dictates. Space, Enter and arrows stay.</label>
      <v-btn variant="outlined" @click="open = false">Close</v-btn>
    </v-card>
  </v-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 90px 1fr;
  row-gap: 6px;
  margin: 14px 0;
}
dd {
  margin: 0;
}
.letters {
  display: block;
  margin-bottom: 14px;
  font-size: 13.5px;
}
</style>
