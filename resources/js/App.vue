<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useAsking } from './api/live'
import { address, page } from './api/page'
import { useSession } from './api/session'
import { isOver } from './api/again'
import { asked } from './api/ask'
import { apart } from './api/stale'
import { guided, takeSample } from './ui/guided'
import { late, useOpened } from './ui/late'
import OutboxBar from './ui/OutboxBar.vue'
import { letters } from './ui/letters'
import { NOTICES, PLACES } from './ui/places'
import PlacesRail from './ui/PlacesRail.vue'
import { dim } from './ui/theme'

// What nobody has opened is not waited for.
const ImpactDialog = late(() => import('./plan/change/ImpactDialog.vue'))
const TwoVersionsDialog = late(() => import('./plan/change/TwoVersionsDialog.vue'))
const ArchiveDialog = late(() => import('./session/ArchiveDialog.vue'))
const TemplateDialog = late(() => import('./later/handover/TemplateDialog.vue'))
const FindDialog = late(() => import('./ui/FindDialog.vue'))
const NoPlace = late(() => import('./session/NoPlace.vue'))
const SignInAgain = late(() => import('./session/SignInAgain.vue'))
const KeyHelp = late(() => import('./ui/KeyHelp.vue'))
const GuideBar = late(() => import('./ui/GuideBar.vue'))

const session = useSession()
const route = useRoute()
const router = useRouter()
const person = computed(() => session.session.person)
useAsking()
const help = ref(false)
const finding = ref(false)
/** Whoever chose it as what the next one begins from is asked at once what comes along. */
const template = ref(new URLSearchParams(window.location.search).has('next'))
const archiving = ref(false)
const opened = useOpened({
  help,
  find: finding,
  impact: () => asked.value !== null,
  versions: () => apart.value !== null,
  again: isOver,
  template,
  archive: archiving,
})
/** Pressed with a glove, at arm's length or in the dark. */
const hasGloves = computed(() => ['bench', 'test', 'site'].includes(route.path.split('/')[1] ?? ''))
let waiting = 0

function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  )
}

/** g, then a letter, changes place; ? lists the keys. */
function onKey(event: KeyboardEvent) {
  if (takeSample(event)) return
  if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey || !person.value) return
  if (document.querySelector('.v-overlay--active:not(.v-snackbar)')) return
  // Here before every page: where letters do nothing by themselves, no page hears of them.
  if (!letters.value && event.key.length === 1 && event.key !== ' ') return event.stopImmediatePropagation()
  if (event.key === '?') {
    help.value = true
  } else if (event.key === '/' && page.value) {
    event.preventDefault()
    finding.value = true
  } else if (event.key === 'g') {
    waiting = Date.now()
  } else if (Date.now() - waiting < 1500) {
    waiting = 0
    const place = page.value && [...PLACES, NOTICES].find(each => each.key === event.key)
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
      <PlacesRail
        @find="finding = true"
        @template="template = true"
        @archive="archiving = true"
        @keys="help = true"
        @leave="leave" />
      <div class="place" :class="{ gloves: hasGloves }">
        <div class="bars">
          <GuideBar v-if="page && guided && !route.meta.ofNone" />
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
    <SignInAgain v-if="opened.again" />
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
@media (max-width: 700px) {
  .frame {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(0, 1fr) auto;
  }
}
</style>
