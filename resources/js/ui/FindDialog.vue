<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ApiError } from '../api/client'
import { useSession } from '../api/session'
import { acts, done, type Act, type Found } from './acts'
import { leadsAway, readLabel } from './label'
import { lately, recent } from './recent'

/** One field for everything: type, or scan a label, and it opens; say what is to be done, and it is. */
const open = defineModel<boolean>({ required: true })
const router = useRouter()
const session = useSession()
const text = ref('')
const named = ref<Found[]>([])
const verbs = ref<Act[]>([])
const found = computed<Act[]>(() => {
  if (!text.value.trim()) return recent.value
  const [exact, others] = [named.value.filter(isExact), named.value.filter(each => !isExact(each))]
  return [...verbs.value, ...exact, ...acts(text.value), ...others]
})
const isExact = (each: Found) => each.name.toLowerCase() === looked.value.trim().toLowerCase()
/** Nothing is to be seen yet, and the server has not answered. */
const isLooking = computed(
  () => text.value.trim() !== '' && looked.value !== text.value && found.value.length === 0 && !problem.value,
)
const at = ref(0)
const problem = ref('')
const looked = ref('')
const field = ref<HTMLInputElement | null>(null)

watch(
  open,
  async value => {
    if (!value) return
    text.value = ''
    named.value = []
    verbs.value = []
    at.value = 0
    looked.value = ''
    await nextTick()
    window.setTimeout(() => field.value?.focus(), 60)
  },
  { immediate: true },
)
async function look() {
  const asked = text.value
  if (!asked.trim()) {
    named.value = []
    verbs.value = []
    looked.value = ''
    return
  }
  try {
    const [answer, does] = await Promise.all([api.get(`find?q=${encodeURIComponent(asked)}`), done(asked)])
    if (asked !== text.value) return
    named.value = answer.found
    verbs.value = does
    looked.value = asked
    at.value = 0
    problem.value = ''
  } catch (error) {
    problem.value = error instanceof ApiError ? error.message : String(error)
  }
}
watch(text, useDebounceFn(look, 150))
/** A scanner ends with Enter before the list has come: then it is asked for first. */
async function go(it?: Act) {
  const label = it ? null : readLabel(text.value)
  if (label) {
    open.value = false
    const away = leadsAway(label, session.session.installations?.length ?? 1, 'run')
    if (away) window.location.assign(away)
    else await router.push(`/e/${label.run}/${label.side}`)
    return
  }
  // What is done by this page alone is known before the server has answered.
  if (!it && looked.value !== text.value && acts(text.value).length === 0) await look()
  const to = it ?? found.value[at.value]
  if (!to) return
  open.value = false
  if (to.act) return to.act()
  if (to.kind !== 'do' && to.kind !== 'people') lately(to)
  await router.push(to.path)
}
const move = (by: number) => {
  at.value = Math.max(0, Math.min(found.value.length - 1, at.value + by))
}
</script>

<template>
  <v-dialog v-model="open" max-width="600" location="top">
    <v-card class="find" role="search">
      <input
        ref="field"
        v-model="text"
        class="field"
        placeholder="a code, a place, a person, a label; or: test A-118, who is on M-201, add run"
        aria-label="Find"
        autocomplete="off"
        role="combobox"
        :aria-expanded="found.length > 0"
        aria-controls="found"
        :aria-activedescendant="found.length ? `found-${at}` : undefined"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown.enter.prevent="go()" />
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p v-if="!text.trim() && recent.length" class="quiet none">Lately</p>
      <ul id="found" role="listbox" aria-label="Found">
        <!-- The field above takes the keys. -->
        <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
        <!-- eslint-disable vuejs-accessibility/interactive-supports-focus -->
        <li
          v-for="(each, i) in found"
          :id="`found-${i}`"
          :key="each.kind + each.path + each.name"
          role="option"
          :aria-selected="i === at"
          @click="go(each)"
          @mousemove="at = i"><span class="kind">{{ each.kind }}</span>
          <b :class="{ mono: ['run', 'end', 'people'].includes(each.kind) }">{{ each.name }}</b>
          <span class="quiet">{{ each.about }}</span></li>
        <!-- eslint-enable -->
      </ul>
      <p v-if="isLooking" class="quiet none" role="status">Looking …</p>
      <p
        v-else-if="looked && found.length === 0"
        class="quiet none">Nothing here has this name, and nothing is done by it.</p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.find {
  padding: 12px;
}
.field {
  width: 100%;
  font: inherit;
  font-size: 16px;
  padding: 10px 12px;
  border: 1px solid var(--quiet);
  border-radius: 4px;
  background: var(--surface);
  color: inherit;
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  max-height: 50vh;
  overflow: auto;
}
li {
  display: grid;
  grid-template-columns: 92px auto 1fr;
  gap: 10px;
  padding: 6px 8px;
  border-radius: 4px;
  cursor: pointer;
  align-items: baseline;
}
li[aria-selected='true'] {
  background: var(--chosen);
  box-shadow: inset 3px 0 0 var(--copper);
}
.kind {
  font-size: 12px;
  color: var(--slate);
}
li .quiet {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 13px;
}
.none {
  padding: 8px;
}
</style>
