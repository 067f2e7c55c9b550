<script setup lang="ts">
import { refDebounced, useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useOutbox } from '../api/outbox'
import { useSession } from '../api/session'
import { when } from './dates'

/** What waits on this device, and why. */
const outbox = useOutbox()
const session = useSession()
const route = useRoute()
const open = ref(false)
useIntervalFn(() => {
  if (outbox.offline) void outbox.knock()
  else if (outbox.mine.length) void outbox.flush()
}, 4000)
useEventListener(window, 'online', () => {
  void outbox.knock()
})
useEventListener(window, 'offline', () => {
  outbox.offline = true
})
watch(
  () => session.session.person?.signIn,
  who => {
    if (who) void outbox.flush()
  },
  { immediate: true },
)
const records = (count: number) => `${count} ${count === 1 ? 'record' : 'records'}`
const names = computed(() => [...new Set(outbox.others.map(item => item.name || item.who))].join(', '))
/** ms: what is sent sooner than that has not waited. */
const SOON = 1500
const waits = computed(() => outbox.mine.length > 0)
const late = refDebounced(waits, SOON)
const wanted = computed(
  () =>
    outbox.offline ||
    (waits.value && (late.value || outbox.signedOut || outbox.forgetful)) ||
    outbox.items.length > outbox.mine.length,
)
/** While a finger is down nothing comes or goes: what it is on would no longer be under it when it is lifted. */
const pressed = ref(false)
useEventListener(window, 'pointerdown', () => (pressed.value = true), { capture: true, passive: true })
useEventListener(window, ['pointerup', 'pointercancel'], () => setTimeout(() => (pressed.value = false)), {
  capture: true,
  passive: true,
})
const shown = ref(wanted.value)
watch([wanted, pressed], () => {
  if (!pressed.value) shown.value = wanted.value
})
</script>

<template>
  <div
    v-if="shown"
    class="outbox"
    :class="{ bad: outbox.refused.length }"
    role="status"
    aria-label="Waiting to be sent">
    <p>
      <b v-if="outbox.offline">No network.</b>
      <template v-if="outbox.mine.length"> {{ records(outbox.mine.length) }} {{ outbox.mine.length === 1 ? 'waits'
        : 'wait' }} on this device{{ outbox.signedOut ? '' : ' and will be sent' }}.</template>
      <template v-else-if="outbox.offline"> What you record now waits on this device and is sent later.</template>
      <b v-if="outbox.forgetful && outbox.mine.length"> This browser keeps nothing on this device: leave the page open
        until it is sent.</b>
      <router-link
        v-if="outbox.signedOut && outbox.mine.length"
        :to="{ path: '/sign-in', query: { to: route.fullPath } }">Sign in again to send
        {{ outbox.mine.length === 1 ? 'it' : 'them' }}</router-link>
      <template v-if="outbox.others.length"> {{ records(outbox.others.length) }} of {{ names }}
        {{ outbox.others.length === 1
          ? 'waits' : 'wait' }} until they sign in here.</template>
      <b v-if="outbox.unplaced.length"> {{ records(outbox.unplaced.length) }} of an earlier version: say of which
        installation.</b>
      <b v-if="outbox.refused.length"> {{ records(outbox.refused.length) }} refused: look.</b>
      <button type="button" :aria-expanded="open" @click="open = !open">{{ open ? 'Hide' : 'Show' }}</button>
    </p>
    <ol v-if="open">
      <li v-for="item in outbox.items" :key="item.id">
        <span>{{ item.words }} <span class="quiet">{{ [when(item.at), item.name, item.of?.name]
          .filter(Boolean).join(' · ') }}</span>
          <em v-if="item.refused">{{ item.refused }}</em></span>
        <span v-if="!item.of?.address && outbox.isMine(item)">of <button
          v-for="each in session.session.installations"
          :key="each.id"
          type="button"
          @click="outbox.place(item.id, each)">{{ each.name }}</button></span>
        <template v-if="item.refused"><button
          type="button"
          @click="outbox.retry(item.id)">Try again</button><button
            type="button"
            @click="outbox.drop(item.id)">Throw away</button></template>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.outbox {
  background: var(--warn);
  border-top: 1px solid var(--amber);
  padding: 5px 16px;
  font-size: 13px;
  max-height: 40dvh;
  overflow: auto;
}
.outbox.bad {
  background: var(--bad);
  border-color: var(--flux);
}
p {
  margin: 0;
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  align-items: baseline;
}
button {
  all: unset;
  cursor: pointer;
  color: var(--verdigris);
  text-decoration: underline;
  text-underline-offset: 2px;
  padding: 3px 4px;
}
button:focus-visible {
  outline: 2px solid var(--copper);
}
ol {
  margin: 4px 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 8px;
  justify-content: space-between;
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
@media (max-width: 700px) {
  p {
    display: block;
    line-height: 1.35;
  }
}
em {
  display: block;
  color: var(--flux);
  font-style: normal;
}
</style>
