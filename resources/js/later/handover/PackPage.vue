<script setup lang="ts">
import type { Schemas } from '../../api/types'
import { onMounted, ref } from 'vue'
import { api } from '../../api/client'
import { useErrand } from '../../api/errand'
import { useSession } from '../../api/session'
import { useAttempt } from '../../ui/attempt'
import ErrandBar from '../../ui/ErrandBar.vue'
import { when } from '../../ui/dates'
import { system } from '../../ui/units'
import HandoverFrame from './HandoverFrame.vue'

type Pack = Schemas['PackLine']

/** The pack that proves the job: made, signed, given out, and checked again whenever somebody asks. */
const session = useSession()
const { problem, said, busy, attempt } = useAttempt()
const packs = ref<Pack[] | null>(null)
const checked = ref<Record<number, { holds: boolean; problems: string[] }>>({})
const read = async () => {
  packs.value = await api.get('packs')
}
onMounted(() => attempt(read))

const { errand, calledOff, follow, callOff } = useErrand('pack', told =>
  attempt(async () => {
    await read()
    problem.value = told.problem
    if (told.state === 'called-off') said.value = 'Called off. Nothing was kept of it.'
    if (told.state === 'done') said.value = `Pack ${told.result.pack} is made. Sign it, then give it out.`
  }),
)
const make = () => attempt(async () => follow(await api.post(`packs?units=${system.value}`)), '')
const SIGN = ['lead', 'planner', 'tester'] as const
const roles = (pack: Pack) =>
  SIGN.filter(
    role =>
      session.can(role) &&
      session.session.person?.roles.includes(role) &&
      !pack.signatures.some(each => each.signIn === session.session.person?.signIn && each.role === role),
  )
const sign = (pack: Pack, role: string) =>
  attempt(async () => {
    await api.post(`packs/${pack.number}/signatures`, { role })
    await read()
  }, `Signed, as ${role}.`)
const check = (pack: Pack) =>
  attempt(async () => {
    checked.value[pack.number] = await api.get(`packs/${pack.number}/check`)
  })
const size = (bytes: number) => (bytes > 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.ceil(bytes / 1e3)} kB`)
</script>

<template>
  <HandoverFrame :problem="problem" :said="said" :loading="packs === null && !problem">
    <template v-if="packs">
      <section v-if="session.can('planner', 'lead')" aria-label="Make a pack">
        <p class="quiet">One document with the schedule as built, signal paths, panels, pinouts, labels, certificates
          with their history, exceptions and parts; all of it as JSON and CSV beside it; and the sums that prove that
          nothing was altered since.</p>
        <v-btn color="primary" :disabled="busy || errand !== null" @click="make">Make a pack</v-btn>
      </section>
      <ErrandBar
        v-if="errand"
        :errand="errand"
        :called-off="calledOff"
        of="the pack"
        @call-off="attempt(callOff)" />
      <p v-if="packs.length === 0" class="quiet">There is no pack yet.</p>
      <article v-for="pack in packs" :key="pack.number" :aria-label="`Pack ${pack.number}`">
        <h2>Pack {{ pack.number }} <span class="quiet">{{ when(pack.at) }}, {{ pack.who }} · {{ pack.pages }} pages ·
          {{ pack.gaps === 0
            ? 'nothing open' : `${pack.gaps} open points` }}</span>
        </h2>
        <p v-if="session.can('planner', 'tester', 'lead')" class="acts"><v-btn
          color="primary"
          variant="outlined"
          size="small"
          :href="$file(`packs/${pack.number}.zip`)"
          download>All of it, zip</v-btn><v-btn
            color="primary"
            variant="outlined"
            size="small"
            :href="$file(`packs/${pack.number}/pack.pdf`)"
            target="_blank">Open the document</v-btn><v-btn
              variant="text"
              size="small"
              color="primary"
              :disabled="busy"
              @click="check(pack)">Check it again</v-btn></p>
        <p
          v-if="checked[pack.number]"
          class="note"
          :class="checked[pack.number]!.holds ? 'good' : 'failed'">
          <strong>{{ checked[pack.number]!.holds ? 'It is what was packed'
            : 'It is not what was packed' }}</strong>{{ checked[pack.number]!.problems.join(' ') }}</p>
        <h3>Signed</h3>
        <p v-if="pack.signatures.length === 0" class="quiet">By nobody yet.</p>
        <ul><li
          v-for="each in pack.signatures"
          :key="each.signIn + each.role"><b>{{ each.name }}</b>, {{ each.role }}, {{ when(each.at) }}</li></ul>
        <p v-if="roles(pack).length" class="acts"><v-btn
          v-for="role in roles(pack)"
          :key="role"
          color="primary"
          size="small"
          :disabled="busy"
          @click="sign(pack, role)">Sign as {{ role }}</v-btn></p>
        <details>
          <summary>{{ pack.files.length }} files, SHA-256 of the whole
            <span class="mono">{{ pack.digest.slice(0, 16) }}…</span>
          </summary>
          <table class="lines"><tbody><tr
            v-for="file in pack.files"
            :key="file.name"><td>{{ file.name }}</td><td class="mono">{{ size(file.bytes) }}</td>
            <td class="mono sum">{{ file.sha256 }}</td></tr><tr><td><b>the whole</b></td><td />
            <td class="mono sum">{{ pack.digest }}</td></tr></tbody></table>
          <p class="quiet">Checked anywhere with <code>sha256sum -c SHA256SUMS</code>, and with its signatures by
            <code>php artisan sartal:verify FILE</code>.</p>
        </details>
      </article>
    </template>
  </HandoverFrame>
</template>

<style scoped>
article {
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--surface);
  padding: 10px 14px;
}
h2 {
  margin: 0 0 6px;
  font-size: 15.5px;
}
h2 .quiet {
  font-weight: 400;
  font-size: 13px;
}
h3 {
  margin: 8px 0 2px;
  font-size: 13px;
  color: var(--slate);
}
.acts {
  margin: 4px 0;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.sum {
  font-size: 11.5px;
  word-break: break-all;
}
summary {
  cursor: pointer;
  margin-top: 8px;
  font-size: 13px;
}
</style>
