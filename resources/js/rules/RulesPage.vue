<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../api/client'
import { useSession } from '../api/session'
import type { Part, Rules, School } from '../api/types'
import { useAttempt } from '../ui/attempt'
import { length } from '../ui/units'
import HouseRules from './HouseRules.vue'
import RuleTabs from './RuleTabs.vue'

const props = withDefaults(defineProps<{ place?: 'house' | 'building' }>(), { place: 'house' })
const place = computed(() => props.place)
const session = useSession()
const rules = ref<Rules | null>(null)
const schools = ref<School[]>([])
const version = ref(0)
const parts = ref<Part[]>([])
const { problem, said, attempt } = useAttempt()
const editing = ref<{ kind: Part['kind'], id: string, name: string, length: string, wayKind: string, fire: string, version?: number } | null>(null)
const KINDS = [{ kind: 'way', title: 'Ways' }, { kind: 'location', title: 'Locations' }, { kind: 'loom', title: 'Looms' }] as const

async function load() {
  const answer = await api.get<{ rules: Rules, schools: School[], version: number, parts: Part[] }>('rules')
  rules.value = answer.rules
  schools.value = answer.schools
  version.value = answer.version
  parts.value = answer.parts
}
onMounted(() => attempt(load, ''))
function edit(kind: Part['kind'], part?: Part) {
  editing.value = { kind, id: part?.id ?? '', name: part?.name ?? '', length: part?.length ?? '', wayKind: part?.wayKind || 'tray', fire: part?.fire ?? 'unrated', version: part?.version }
}
const slug = (name: string) => name.toLowerCase().normalize('NFD').replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '')
const saved = () => attempt(async () => {
  const it = editing.value!
  const part = { id: it.id || slug(it.name), name: it.name, ...(it.kind === 'way' ? { length: it.length, kind: it.wayKind } : {}), ...(it.kind === 'location' && it.fire !== 'unrated' ? { fire: it.fire } : {}) }
  await api.put(`rules/${it.kind}`, { part, ...(it.version ? { version: it.version } : {}) })
  editing.value = null
  await load()
}, 'Saved. The lengths that follow from it are new.')
const remove = (part: Part) => attempt(async () => { await api.delete(`rules/${part.kind}/${part.id}`, { version: part.version }); await load() }, `${part.name} is removed.`)
const of = computed(() => (kind: string) => parts.value.filter(part => part.kind === kind))
</script>

<template>
  <main class="rules">
    <header><h1>Rules</h1>
      <RuleTabs />
      <span v-if="said" role="status" class="quiet">{{ said }}</span></header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div v-if="rules && place === 'house'" class="pad"><HouseRules :rules="rules" :schools="schools" :version="version" @saved="attempt(load, 'House rules are saved.')" /></div>
    <div v-if="rules && place === 'building'" class="columns">
      <section v-for="group in KINDS" :key="group.kind">
        <h2>{{ group.title }} <v-btn v-if="session.plans" size="small" variant="text" color="primary" @click="edit(group.kind)">Add</v-btn></h2>
        <table class="lines"><tbody>
          <tr v-for="part in of(group.kind)" :key="part.id"><td>{{ part.name }}</td><td v-if="group.kind === 'way'" class="mono right">{{ length(part.length ?? '0 mm') }}</td><td v-if="group.kind === 'location'" class="quiet">{{ part.fire && part.fire !== 'unrated' ? `fire class ${part.fire}` : '' }}</td><td class="quiet">{{ part.used }} {{ part.used === 1 ? 'run' : 'runs' }}</td>
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
        <v-select v-if="editing.kind === 'location'" v-model="editing.fire" label="Fire class that local code asks for" :items="[{ value: 'unrated', title: 'none' }, { value: 'general', title: 'general' }, { value: 'riser', title: 'riser' }, { value: 'air-handling', title: 'air-handling space' }]" />
        <p class="acts"><v-btn type="submit" color="primary">Save</v-btn><v-btn variant="text" @click="editing = null">Cancel</v-btn></p>
      </form></v-card>
    </v-dialog>
  </main>
</template>

<style scoped>
.rules { height: 100%; overflow: auto; padding-bottom: 40px }
header { display: flex; gap: 16px; align-items: center; padding: 14px 18px; border-bottom: 1px solid var(--line) }

.pad { padding: 10px 18px }
.columns { display: grid; grid-template-columns: repeat(auto-fit, minmax(330px, 1fr)); gap: 6px 32px; padding: 4px 18px }
form { display: grid; gap: 12px; justify-items: start }
form > .v-input { width: 100% }
.right { text-align: right; white-space: nowrap }
td.quiet { white-space: nowrap }
.acts { display: flex; gap: 8px; margin: 0 }
</style>
