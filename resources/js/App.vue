<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from './api/client'
import { useAsking, useLive } from './api/live'
import { address, page } from './api/page'
import { useSession } from './api/session'
import { asked } from './api/ask'
import { apart } from './api/stale'
import WhoButton from './session/WhoButton.vue'
import { late, useOpened } from './ui/late'
import OutboxBar from './ui/OutboxBar.vue'
import { dim } from './ui/theme'

// What nobody has opened is not waited for.
const ImpactDialog = late(() => import('./plan/change/ImpactDialog.vue'))
const TwoVersionsDialog = late(() => import('./plan/change/TwoVersionsDialog.vue'))
const ArchiveDialog = late(() => import('./session/ArchiveDialog.vue'))
const TemplateDialog = late(() => import('./later/handover/TemplateDialog.vue'))
const FindDialog = late(() => import('./ui/FindDialog.vue'))
const NoPlace = late(() => import('./session/NoPlace.vue'))
const KeyHelp = late(() => import('./ui/KeyHelp.vue'))

const session = useSession()
const route = useRoute()
const router = useRouter()
const places = [
  { path: '/rules', name: 'Rules', key: 'r' },
  { path: '/schedule', name: 'Schedule', key: 's' },
  { path: '/looms', name: 'Looms', key: 'l' },
  { path: '/cutting', name: 'Cutting', key: 'c' },
  { path: '/parts', name: 'Parts', key: 'p' },
  { path: '/labels', name: 'Labels', key: 'a' },
  { path: '/bench', name: 'Bench', key: 'b' },
  { path: '/crew', name: 'Crew', key: 'w' },
  { path: '/test', name: 'Test', key: 't' },
  { path: '/site', name: 'Site', key: 'i' },
  { path: '/handover', name: 'Hand-over', key: 'h' },
]
const here = (path: string) =>
  route.path.startsWith(path) ||
  (path === '/schedule' &&
    (route.path.startsWith('/runs') || route.path === '/patterns' || route.path.startsWith('/reach')))
const person = computed(() => session.session.person)
/** What is left to do in each place, looked at now and then. */
const outstanding = ref<Record<string, number>>({})
async function count() {
  if (!person.value || !page.value || document.hidden) return
  try {
    outstanding.value = await api.get('outstanding')
  } catch {
    // The rail does without.
  }
}
useAsking()
useLive(['decided', 'recorded', 'told'], 20_000, count)
watch(
  () => [route.path.split('/')[1], person.value],
  () => {
    void count()
  },
  { immediate: true },
)
const help = ref(false)
const finding = ref(false)
const template = ref(false)
const archiving = ref(false)
const opened = useOpened({
  help,
  find: finding,
  impact: () => asked.value !== null,
  versions: () => apart.value !== null,
  template,
  archive: archiving,
})
let waiting = 0

function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  )
}

/** g, then a letter, changes place; ? lists the keys. */
function onKey(event: KeyboardEvent) {
  if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey || !person.value) return
  if (document.querySelector('.v-overlay--active:not(.v-snackbar)')) return
  if (event.key === '?') {
    help.value = true
  } else if (event.key === '/' && page.value) {
    event.preventDefault()
    finding.value = true
  } else if (event.key === 'g') {
    waiting = Date.now()
  } else if (Date.now() - waiting < 1500) {
    waiting = 0
    const place = page.value && places.find(each => each.key === event.key)
    if (place) {
      event.preventDefault()
      event.stopImmediatePropagation()
      void router.push(place.path)
    }
  }
}
onMounted(() => window.addEventListener('keydown', onKey, true))
onUnmounted(() => window.removeEventListener('keydown', onKey, true))

/** A label of another installation has led here: that is said so that nobody overlooks it. */
const arrived = ref(new URLSearchParams(window.location.search).get('from') ?? '')
const came = computed(() => session.session.installations?.find(each => each.address === arrived.value))

async function leave() {
  await session.signOut()
  await router.push('/sign-in')
}
</script>

<template>
  <v-app :theme="dim ? 'dim' : 'sartal'">
    <div v-if="person && !route.meta.open" class="frame">
      <nav class="rail" aria-label="Places of work">
        <router-link to="/schedule" class="name" aria-label="Sartal, to the schedule">
          <svg width="134" height="40" viewBox="0 0 134 40" aria-hidden="true">
            <path d="M1 9Q67 50 133 9" fill="none" stroke="currentColor" stroke-width="1.2" />
            <circle cx="17" cy="18" r="5" fill="#1f6f63" /><circle cx="41" cy="26" r="5" fill="#b4622d" /><circle
              cx="67"
              cy="29.5"
              r="5"
              fill="currentColor" />
            <circle cx="93" cy="26" r="5" fill="#b4622d" /><circle cx="117" cy="18" r="5" fill="#1f6f63" />
            <text x="67" y="15" text-anchor="middle">sartal</text>
          </svg>
        </router-link>
        <ul v-if="page">
          <li
            v-for="place in places"
            :key="place.path"
            :class="{ desk: ['/rules', '/schedule', '/looms', '/cutting', '/parts', '/labels', '/crew',
                             '/handover'].includes(place.path) }">
            <router-link
              :to="place.path"
              :class="{ here: here(place.path) }"
              :aria-current="here(place.path) ? 'page' : undefined">
              <span class="dot" />{{ place.name }}<span
                v-if="outstanding[place.path.slice(1)]"
                class="left"
                :title="`${outstanding[place.path.slice(1)]} outstanding`">{{ outstanding[place.path.slice(1)] }}</span>
              <kbd>g {{ place.key }}</kbd>
            </router-link>
          </li>
        </ul>
        <a
          v-if="!page && session.session.open"
          class="back"
          :href="`/i/${session.session.open.address}/schedule`">Back to
          {{ session.session.open.name }}</a>
        <button v-if="page" type="button" class="finder" @click="finding = true"><svg
          width="14"
          height="14"
          viewBox="0 0 14 14"
          aria-hidden="true"><circle
            cx="6"
            cy="6"
            r="4.2"
            fill="none"
            stroke="currentColor"
            stroke-width="1.6" /><path
              d="M9.3 9.3L13 13"
              stroke="currentColor"
              stroke-width="1.6" /></svg> Find <kbd>/</kbd></button>
        <div class="foot">
          <WhoButton
            @template="template = true"
            @archive="archiving = true"
            @keys="help = true"
            @leave="leave" />
        </div>
      </nav>
      <div class="place">
        <div class="bars">
          <p
            v-if="page?.archived"
            class="archived"
            role="status"><b>Archived:</b> {{ page.name }} is read, and nothing is
            written.</p>
          <p v-if="came && page" class="arrived" role="status">
            <b>{{ page.name }}</b> <span>This label is not of {{ came.name }}.</span>
            <a :href="`/i/${came.address}${route.path === '/site' ? '/site' : '/schedule'}`">Back to {{ came.name }}</a>
            <button type="button" @click="arrived = ''">Stay here</button>
          </p>
        </div>
        <NoPlace v-if="!page && !route.meta.ofNone && (address || !session.session.open)" />
        <router-view v-else v-slot="{ Component }"><component
          :is="Component"
          :key="route.path.split('/').slice(0, 3).join('/')" /></router-view>
        <OutboxBar />
      </div>
    </div>
    <router-view v-else />
    <KeyHelp v-if="opened.help" v-model="help" />
    <FindDialog v-if="person && opened.find" v-model="finding" />
    <ImpactDialog v-if="opened.impact" />
    <TwoVersionsDialog v-if="opened.versions" />
    <TemplateDialog v-if="person && opened.template" v-model="template" />
    <ArchiveDialog v-if="person && opened.archive" v-model="archiving" />
  </v-app>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: 176px minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr);
  height: 100dvh;
}
/* What waits stands below the place: it comes and goes, and nothing above it may move from under a finger. */
.place {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  min-height: 0;
  min-width: 0;
}
.arrived {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
  margin: 0;
  padding: 10px 16px;
  background: var(--surface);
  border-bottom: 2px solid var(--copper);
}
.archived {
  margin: 0;
  padding: 6px 16px;
  font-size: 13px;
  background: var(--warn);
  border-bottom: 1px solid var(--amber);
}
.arrived b {
  font-size: 26px;
  line-height: 1.15;
}
.arrived button {
  all: unset;
  cursor: pointer;
  padding: 8px 12px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.arrived button:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: 2px;
}
.rail {
  background: var(--rail);
  border-right: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  padding: 12px 8px;
}
.name {
  display: block;
  color: var(--ink) !important;
  padding: 6px 12px 18px;
}
.name text {
  font: 650 19px var(--sans);
  fill: currentColor;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  position: relative;
}
ul::before {
  content: '';
  position: absolute;
  left: 17px;
  top: 0;
  bottom: 0;
  width: 1.5px;
  background: var(--quiet);
}
li a {
  color: var(--ink) !important;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 9px 10px;
  color: var(--ink);
  text-decoration: none;
  border-radius: 4px;
  position: relative;
}
li a:hover {
  background: var(--paper);
}
li a.here {
  background: var(--surface);
  font-weight: 600;
}
.dot {
  width: 12px;
  height: 12px;
  margin: 0 2px;
  border-radius: 50%;
  background: var(--paper);
  border: 2px solid var(--quiet);
}
.here .dot {
  background: var(--copper);
  border-color: var(--copper);
  width: 16px;
  height: 16px;
  margin: 0;
}
li kbd {
  margin-left: auto;
  opacity: 0;
  font-weight: 400;
  position: absolute;
  right: 8px;
}
.left {
  margin-left: auto;
  font-family: var(--mono);
  font-size: 12.5px;
  color: var(--slate);
}
li a:hover .left,
li a:focus-visible .left {
  opacity: 0;
}
li a:hover kbd,
li a:focus-visible kbd {
  opacity: 1;
}
.back {
  padding: 9px 12px;
}
.finder {
  all: unset;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 9px 12px;
  margin-top: 14px;
  border-radius: 4px;
  cursor: pointer;
}
.finder:hover {
  background: var(--paper);
}
.finder:focus-visible {
  outline: 2px solid var(--copper);
}
.finder kbd {
  margin-left: auto;
}
.foot {
  margin-top: auto;
}
@media (max-width: 700px) {
  .frame {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(0, 1fr) auto;
  }
  .rail {
    grid-row: 2;
    flex-direction: row;
    padding: 2px 4px;
    border-right: 0;
    border-top: 1px solid var(--line);
    align-items: center;
  }
  .desk,
  .name,
  ul::before,
  li kbd,
  .left,
  ul {
    display: flex;
    flex: 1;
  }
  li {
    flex: 1;
  }
  li a {
    justify-content: center;
    gap: 7px;
    padding: 12px 4px;
  }
  .finder {
    gap: 7px;
    margin: 0;
    padding: 12px 8px;
  }
  .finder kbd {
    display: none;
  }
  .foot {
    margin: 0;
  }
}
</style>
