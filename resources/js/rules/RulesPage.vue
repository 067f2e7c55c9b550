<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api, ApiError } from '../api/client'
import { useSession } from '../api/session'
import type { Part, Rules } from '../api/types'
import { length } from '../ui/units'

const session = useSession()
const rules = ref<Rules | null>(null)
const version = ref(0)
const parts = ref<Part[]>([])
const problem = ref('')
const said = ref('')
const editing = ref<{ kind: Part['kind'], id: string, name: string, length: string, wayKind: string, version?: number } | null>(null)
const KINDS = [{ kind: 'way', title: 'Ways' }, { kind: 'location', title: 'Locations' }, { kind: 'loom', title: 'Looms' }] as const

async function load() {
  const answer = await api.get<{ rules: Rules, version: number, parts: Part[] }>('rules')
  rules.value = answer.rules
  version.value = answer.version
  parts.value = answer.parts
}
onMounted(() => attempt(load, ''))
async function attempt(work: () => Promise<unknown>, done: string) {
  problem.value = ''
  said.value = ''
  try {
    await work()
    said.value = done
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    const listed = (error.body.problems ?? []) as { path: string, value: string, words: string }[]
    problem.value = listed.length ? listed.map(each => `${each.path} "${each.value}" ${each.words}`).join(' ') : Object.values(error.fields).flat()[0] ?? error.message
  }
}
const save = () => attempt(async () => { await api.put('rules', { rules: { ...rules.value, routeAllowance: Number(rules.value?.routeAllowance) }, version: version.value }); await load() }, 'House rules are saved.')
function edit(kind: Part['kind'], part?: Part) {
  editing.value = { kind, id: part?.id ?? '', name: part?.name ?? '', length: part?.length ?? '', wayKind: part?.wayKind || 'tray', version: part?.version }
}
const slug = (name: string) => name.toLowerCase().normalize('NFD').replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '')
const saved = () => attempt(async () => {
  const it = editing.value!
  const part = { id: it.id || slug(it.name), name: it.name, ...(it.kind === 'way' ? { length: it.length, kind: it.wayKind } : {}) }
  await api.put(`rules/${it.kind}`, { part, ...(it.version ? { version: it.version } : {}) })
  editing.value = null
  await load()
}, 'Saved. The lengths that follow from it are new.')
const remove = (part: Part) => attempt(async () => { await api.delete(`rules/${part.kind}/${part.id}`, { version: part.version }); await load() }, `${part.name} is removed.`)
const of = computed(() => (kind: string) => parts.value.filter(part => part.kind === kind))
</script>

<template>
  <main class="rules">
    <header><h1>Rules</h1><span v-if="said" role="status" class="quiet">{{ said }}</span></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div v-if="rules" class="columns">
      <section>
        <h2>House rules</h2>
        <form @submit.prevent="save">
          <v-text-field v-model="rules.routeAllowance" label="Route allowance, %" :readonly="!session.plans" />
          <v-text-field v-model="rules.cutStep" label="Cut step, with its unit" :readonly="!session.plans" />
          <v-select v-model="rules.screenAndDrain" label="Where a drain lies against a screen" :readonly="!session.plans" :items="[{ value: 'drain-alone', title: 'join the drain alone' }, { value: 'together', title: 'twist both together' }]" />
          <v-select v-model="rules.shell" label="Shell of a connector with a screen contact" :readonly="!session.plans" :items="[{ value: 'free', title: 'left free: a ground lift keeps working' }, { value: 'bonded', title: 'bonded to the screen' }]" />
          <v-btn v-if="session.plans" type="submit" color="primary">Save the rules</v-btn>
        </form>
      </section>
      <section v-for="group in KINDS" :key="group.kind">
        <h2>{{ group.title }} <v-btn v-if="session.plans" size="small" variant="text" color="primary" @click="edit(group.kind)">Add</v-btn></h2>
        <table class="lines"><tbody>
          <tr v-for="part in of(group.kind)" :key="part.id"><td>{{ part.name }}</td><td v-if="group.kind === 'way'" class="mono right">{{ length(part.length ?? '0 mm') }}</td><td class="quiet">{{ part.used }} {{ part.used === 1 ? 'run' : 'runs' }}</td>
            <td v-if="session.plans" class="right"><v-btn size="x-small" variant="text" color="primary" @click="edit(group.kind, part)">Edit</v-btn><v-btn size="x-small" variant="text" color="error" :disabled="part.used > 0" @click="remove(part)">Remove</v-btn></td></tr>
        </tbody></table>
        <p v-if="of(group.kind).length === 0" class="quiet">None yet.</p>
      </section>
    </div>
    <v-dialog :model-value="editing !== null" max-width="420" @update:model-value="editing = null">
      <v-card v-if="editing" class="pa-5"><form class="edit" @submit.prevent="saved">
        <h1>{{ editing.version ? 'Edit' : 'Add' }} {{ editing.kind }}</h1>
        <v-text-field v-model="editing.name" label="Name" />
        <template v-if="editing.kind === 'way'"><v-text-field v-model="editing.length" label="Length, with its unit (12.4 m)" /><v-select v-model="editing.wayKind" label="Kind" :items="['tray', 'trunking', 'conduit', 'riser', 'void', 'free air']" /></template>
        <p class="acts"><v-btn type="submit" color="primary">Save</v-btn><v-btn variant="text" @click="editing = null">Cancel</v-btn></p>
      </form></v-card>
    </v-dialog>
  </main>
</template>

<style scoped>
.rules { height: 100%; overflow: auto; padding-bottom: 40px }
header { display: flex; gap: 16px; align-items: center; padding: 14px 18px; border-bottom: 1px solid var(--line) }
.columns { display: grid; grid-template-columns: repeat(auto-fit, minmax(330px, 1fr)); gap: 6px 32px; padding: 4px 18px }
form { display: grid; gap: 12px; justify-items: start }
form > .v-input { width: 100% }
.right { text-align: right; white-space: nowrap }
td.quiet { white-space: nowrap }
.acts { display: flex; gap: 8px; margin: 0 }
</style>
