<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import type { Catalogue, Schemas, TypeLine } from '../../api/types'
import BeingMade from '../../ui/BeingMade.vue'
import { useAttempt } from '../../ui/attempt'
import RuleTabs from './RuleTabs.vue'

type Port = Schemas['DevicePort']
type Device = Schemas['Device']
type Draft = {
  id: string
  name: string
  location: string
  version?: number
  ports: {
    id: string
    name: string
    connector: string
    plan: string
    direction: string
    signal: string
    level: string
    phantom: boolean
    terminates: boolean
  }[]
}

const session = useSession()
const devices = ref<Device[]>([])
const loaded = ref(false)
const catalogue = ref<Catalogue | null>(null)
const connectors = ref<TypeLine[]>([])
const plans = ref<TypeLine[]>([])
const draft = ref<Draft | null>(null)
const { problem, said, busy, attempt } = useAttempt()

async function load() {
  devices.value = (await api.get('equipment')).equipment
  loaded.value = true
}
onMounted(() => attempt(load))
async function edit(device?: Device) {
  await attempt(async () => {
    catalogue.value ??= await api.get('catalogue')
    if (connectors.value.length === 0) {
      const types = await api.get('types')
      connectors.value = types.connector.filter(each => !each.retired)
      plans.value = types.plan.filter(each => !each.retired)
    }
  })
  draft.value = device
    ? {
        id: device.id,
        name: device.name,
        location: device.location,
        version: device.version,
        ports: device.ports.map(({ id, name, connector, plan, direction, signal, level, phantom, terminates }) => ({
          id,
          name,
          connector,
          plan: plan ?? '',
          direction,
          signal,
          level,
          phantom,
          terminates,
        })),
      }
    : { id: '', name: '', location: '', ports: [] }
}
const slug = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
/** The next port is like the last, with a number one higher. */
function addPort() {
  const last = draft.value?.ports.at(-1)
  const name = last ? last.name.replace(/\d+(?=\D*$)/, digits => String(Number(digits) + 1)) : 'in 1'
  draft.value?.ports.push({
    ...(last ?? { connector: '', plan: '', direction: 'in', signal: '', level: '', phantom: false, terminates: false }),
    id: '',
    name,
  })
}
const plansFor = computed(
  () => (connector: string) => plans.value.filter(plan => plan.about.startsWith(`${connector},`)),
)
const save = () =>
  attempt(async () => {
    const it = draft.value!
    const device = {
      id: it.id || slug(it.name),
      name: it.name,
      location: it.location,
      ports: it.ports.map(port =>
        Object.fromEntries(
          Object.entries({ ...port, id: port.id || slug(port.name) }).filter(
            ([key, value]) => value !== '' && value !== false && !(key === 'direction' && value === 'both'),
          ),
        ),
      ),
    }
    await api.put('equipment', { device, ...(it.version ? { version: it.version } : {}) })
    draft.value = null
    await load()
  }, 'Saved.')
const remove = (device: Device) =>
  attempt(async () => {
    await api.delete(`equipment/${device.id}`, { version: device.version })
    await load()
  }, `${device.name} is removed.`)
const plug = (device: Device, port: Port, fitting: string) =>
  attempt(
    async () => {
      await api.put('matings', { port: `${device.id}:${port.id}`, fitting: fitting || null, was: port.plugged })
      await load()
    },
    fitting ? 'Plugged in.' : 'Left free.',
  )
</script>

<template>
  <main class="equipment">
    <header><h1>Rules</h1><RuleTabs /><span
      v-if="said"
      role="status"
      class="quiet">{{ said }}</span><span class="space" /><v-btn
        v-if="session.plans"
        color="primary"
        @click="edit()">Add a device</v-btn></header>
    <p v-if="problem && !draft" class="note failed" role="alert">{{ problem }}</p>
    <BeingMade v-if="!loaded && !problem" of="the equipment" />
    <p
      v-if="loaded && devices.length === 0"
      class="quiet pad">No device yet. Add one, and plugs are checked against its ports: gender, signal, direction,
      level.</p>
    <section v-for="device in devices" :key="device.id" class="device">
      <h2>{{ device.name }} <span class="quiet">{{ device.place }}</span>
        <template v-if="session.plans"><v-btn
          size="x-small"
          variant="text"
          color="primary"
          @click="edit(device)">Edit</v-btn><v-btn
            size="x-small"
            variant="text"
            color="error"
            @click="remove(device)">Remove</v-btn></template></h2>
      <table class="lines">
        <thead><tr><th>Port</th><th>Connector</th><th>Signal</th><th>Plugged in</th></tr></thead>
        <tbody>
          <tr v-for="port in device.ports" :key="port.id">
            <td><b>{{ port.name }}</b></td><td>{{ port.connectorName }}</td>
            <td class="quiet">{{ [port.direction === 'both' ? '' : port.direction, port.signal, port.level, port.phantom
              ? 'feeds phantom' : '', port.terminates ? 'terminates' : ''].filter(Boolean).join(', ') }}</td>
            <td><select
              v-if="session.plans"
              :value="port.plugged ?? ''"
              :aria-label="`plugged into ${device.name} ${port.name}`"
              :disabled="busy"
              @change="plug(device, port, ($event.target as HTMLSelectElement).value)">
              <option value="">free</option>
              <option
                v-if="port.plugged && !port.fits.some(each => each.id === port.plugged)"
                :value="port.plugged">{{ port.pluggedName }} (does not mate)</option>
              <option
                v-for="each in port.fits"
                :key="each.id"
                :value="each.id">{{ each.name }}{{ each.here ? '' : ' (elsewhere)' }}</option>
            </select><template v-else>{{ port.pluggedName || 'free' }}</template></td>
          </tr>
        </tbody>
      </table>
      <p
        v-for="finding in device.findings"
        :key="finding.words"
        class="note"
        :class="finding.severity">{{ finding.words }}</p>
    </section>
    <v-dialog :model-value="draft !== null" max-width="1080" scrollable @update:model-value="draft = null">
      <v-card v-if="draft" class="pa-5"><form @submit.prevent="save">
        <h1>{{ draft.version ? 'Edit' : 'Add a device' }}</h1>
        <div class="two"><v-text-field v-model="draft.name" label="Name" /><v-autocomplete
          v-model="draft.location"
          label="Place"
          :items="catalogue?.locations ?? []"
          item-title="name"
          item-value="id" /></div>
        <table class="lines ports"><thead><tr><th>Port</th><th>Connector</th><th>Contact plan</th><th>Direction</th>
                                     <th>Signal</th><th>Level</th><th>Phantom</th><th>Ends chain</th><th></th></tr>
                                   </thead>
          <tbody><tr v-for="(port, i) in draft.ports" :key="i">
            <td><input v-model="port.name" :aria-label="`name of port ${i + 1}`" size="8"></td>
            <td><select
              v-model="port.connector"
              :aria-label="`connector of port ${i + 1}`"><option value="" disabled>choose</option><option
                v-for="each in connectors"
                :key="each.id"
                :value="each.id">{{ each.name }}</option></select></td>
            <td><select v-model="port.plan" :aria-label="`plan of port ${i + 1}`"><option value="">none</option><option
              v-for="each in plansFor(port.connector)"
              :key="each.id"
              :value="each.id">{{ each.name }}</option></select></td>
            <td><select
              v-model="port.direction"
              :aria-label="`direction of port ${i + 1}`"><option>in</option><option>out</option><option>both</option>
            </select></td>
            <td><select
              v-model="port.signal"
              :aria-label="`signal of port ${i + 1}`"><option value="">any</option><option
                v-for="each in catalogue?.signals ?? []"
                :key="each.id"
                :value="each.id">{{ each.name }}</option></select></td>
            <td><select
              v-model="port.level"
              :aria-label="`level of port ${i + 1}`"><option value="">none</option><option>microphone</option>
              <option>line</option><option>instrument</option><option>speaker</option></select></td>
            <td><input
              v-model="port.phantom"
              type="checkbox"
              :aria-label="`port ${i + 1} feeds phantom power`"></td><td><input
                v-model="port.terminates"
                type="checkbox"
                :aria-label="`port ${i + 1} ends a chain`"></td>
            <td><v-btn size="x-small" variant="text" color="error" @click="draft.ports.splice(i, 1)">Remove</v-btn></td>
          </tr></tbody></table>
        <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
        <p class="acts"><v-btn
          variant="outlined"
          color="primary"
          @click="addPort">Add a port</v-btn><span class="space" /><v-btn
            type="submit"
            color="primary"
            :loading="busy">Save</v-btn><v-btn variant="text" @click="draft = null">Cancel</v-btn></p>
      </form></v-card>
    </v-dialog>
  </main>
</template>

<style scoped>
.equipment {
  height: 100%;
  overflow: auto;
  padding-bottom: 40px;
}
header {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 18px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
  flex-wrap: wrap;
}
.space {
  flex: 1;
}
.pad {
  padding: 0 18px;
}
.device {
  padding: 0 18px;
  max-width: 1050px;
}
h2 {
  font-size: 15px;
  color: var(--ink);
}
h2 .quiet {
  font-weight: 400;
  margin: 0 10px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin: 12px 0;
}
select,
input:not([type='checkbox']) {
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 3px 6px;
  background: var(--surface);
  color: inherit;
  font: inherit;
  font-size: 13px;
  max-width: 240px;
}
.ports select {
  max-width: 170px;
}
.device td:nth-child(1) {
  width: 150px;
}
.device td:nth-child(2) {
  width: 270px;
}
.device td:nth-child(3) {
  width: 260px;
}
input[type='checkbox'] {
  accent-color: var(--verdigris);
}
.acts {
  margin: 12px 0 0;
}
</style>
