<script setup lang="ts">
import type { Answer } from '../../api/answers'
import { computed, onMounted, ref } from 'vue'
import { api, ApiError } from '../../api/client'
import { useSession } from '../../api/session'
import type { TypeKind } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { when } from '../../ui/dates'

/** The organisation's own types: what is newer there than here, and what could be taken. */
type Stand = 'to take' | 'same' | 'newer' | 'changed here' | 'other'
type Kept = Answer<'library', 'get'>['types'][number]
const emit = defineEmits<{ taken: [kind: TypeKind, id: string] }>()
const session = useSession()
const types = ref<Kept[]>([])
const { problem, said, busy, attempt } = useAttempt()
const load = () =>
  attempt(async () => {
    types.value = (await api.get('library')).types
  })
onMounted(load)
const newer = computed(() => types.value.filter(each => each.stand === 'newer'))
const WORDS: Record<Stand, string> = {
  'to take': 'not here',
  same: 'here',
  newer: 'newer than here',
  'changed here': 'changed here',
  other: 'another of this name is here',
}
const TAKE: Partial<Record<Stand, string>> = { 'to take': 'Take it' }
const find = (kind: TypeKind, id: string) => types.value.find(each => each.kind === kind && each.id === id)
const stand = (kind: TypeKind, id: string) => find(kind, id)?.stand
const take = (each: Kept) =>
  attempt(async () => {
    types.value = (await api.post(`library/${each.kind}/${each.id}/taken`)).types
    emit('taken', each.kind, each.id)
  })
const put = (kind: TypeKind, id: string) =>
  attempt(async () => {
    try {
      const there = find(kind, id)
      const answer = await api.put(`library/${kind}/${id}`, there ? { edition: there.edition } : {})
      types.value = answer.types
      said.value = 'In the library now: every installation of yours is told.'
    } catch (error) {
      await load()
      throw error instanceof ApiError ? error : new Error(String(error))
    }
  })
const remove = (each: Kept) =>
  attempt(async () => {
    types.value = (await api.delete(`library/${each.kind}/${each.id}`)).types
  })
defineExpose({ stand, put })
</script>

<template>
  <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
  <p v-else-if="said" class="note good" role="status">{{ said }}</p>
  <details v-if="types.length" class="library" :open="newer.length > 0">
    <summary>Library of {{ session.session.person?.organisation }}: {{ types.length }}
      {{ types.length === 1 ? 'type' : 'types' }}<b v-if="newer.length">, {{ newer.length }} newer than here</b>
    </summary>
    <table class="lines"><tbody><tr v-for="each in types" :key="`${each.kind} ${each.id}`">
      <td>{{ each.name }}</td><td class="quiet">{{ each.kind }}</td>
      <td class="quiet">edition {{ each.edition }}, {{ each.who }}, {{ when(each.at) }}</td>
      <td :class="{ news: each.stand === 'newer' }">{{ WORDS[each.stand] }}</td>
      <td><template v-if="session.plans"><v-btn
                                           v-if="each.stand !== 'same'"
                                           size="small"
                                           variant="outlined"
                                           :disabled="busy"
                                           @click="take(each)">{{ TAKE[each.stand] ?? 'Take the library’s' }}</v-btn>
        <v-btn
          v-if="session.looksAfter('installations')"
          size="small"
          variant="text"
          :disabled="busy"
          @click="remove(each)">Out of the library</v-btn></template></td></tr></tbody></table>
  </details>
</template>

<style scoped>
.library {
  padding: 6px 18px;
  border-bottom: 1px solid var(--line);
  max-height: 34dvh;
  overflow: auto;
}
summary {
  cursor: pointer;
}
.news {
  color: var(--copper);
  font-weight: 600;
}
</style>
