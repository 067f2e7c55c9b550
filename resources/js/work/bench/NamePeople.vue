<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import type { Answer } from '../../api/answers'
import { useSession } from '../../api/session'

/** Who is asked by name: what follows an @ in the text is looked for among those at work. */
const words = defineModel<string>({ required: true })
type Person = Answer<'colleagues', 'get'>['people'][number]
const session = useSession()
/** Everybody else at work, those who can answer first. */
const people = ref<Person[]>([])
onMounted(async () => {
  people.value = await api
    .get('colleagues')
    .then(answer => answer.people.filter(each => each.id !== session.session.person?.id))
    .catch(() => [])
})

const MOST = 6
const begun = computed(() => /@([^@\n]{0,40})$/.exec(words.value)?.[1]?.toLowerCase() ?? null)
const found = computed(() => {
  if (begun.value === null) return []
  // Of a first, last or second half of a name.
  const parts = (name: string) => name.split(/(?<=[ -])/).map((_part, i, all) => all.slice(i).join(''))
  const isSo = (name: string) => parts(name).some(part => part.startsWith(begun.value!))
  return people.value.filter(each => isSo(each.name.toLowerCase())).slice(0, MOST)
})
const chosen = ref(0)
const named = computed(() => people.value.filter(each => words.value.includes(`@${each.name}`)))
const answering = computed(() => people.value.filter(each => each.answers))

function name(person: Person) {
  words.value = `${words.value.replace(/@[^@\n]*$/, '')}@${person.name} `
  chosen.value = 0
}
const begin = () => (words.value += words.value && !words.value.endsWith(' ') ? ' @' : '@')
/** Arrows and Enter are the list's while there is one. @returns whether the key was for it */
function key(event: KeyboardEvent): boolean {
  if (!found.value.length) return false
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    const by = event.key === 'ArrowDown' ? 1 : -1
    chosen.value = (chosen.value + by + found.value.length) % found.value.length
  } else if (event.key === 'Enter' || event.key === 'Tab') {
    name(found.value[Math.min(chosen.value, found.value.length - 1)]!)
  } else {
    return false
  }
  event.preventDefault()
  return true
}
const asks = () => named.value.map(each => each.id)
defineExpose({ key, asks })
</script>

<template>
  <div class="people">
    <ul v-if="found.length" aria-label="Who is asked">
      <li v-for="(each, i) in found" :key="each.id">
        <button
          type="button"
          :class="{ chosen: i === chosen }"
          @click="name(each)">{{ each.name }}<small v-if="each.answers">can answer</small></button>
      </li>
      <li class="visually-hidden" role="status">Enter: {{ found[chosen]?.name }}</li>
    </ul>
    <p v-else class="quiet" role="status"><template v-if="named.length">{{ named.map(each => each.name).join(', ')
    }} will be told.</template><template v-else-if="answering.length">{{ answering.map(each => each.name).join(', ')
    }} will be told. <button type="button" class="plain" @click="begin">Name somebody</button></template></p>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 4px;
}
li button {
  all: unset;
  box-sizing: border-box;
  width: 100%;
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  padding: 0 12px;
  cursor: pointer;
}
li button.chosen {
  background: var(--chosen);
}
li button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
small {
  color: var(--slate);
}
</style>
