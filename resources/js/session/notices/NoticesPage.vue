<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../api/client'
import { useLive } from '../../api/live'
import type { Schemas } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { clock, dated, weekday } from '../../ui/dates'
import { useOutstanding } from '../../ui/outstanding'
import NoticeChoices from './NoticeChoices.vue'

type Page = Schemas['NoticesPage']
type Notice = Page['notices'][number]

/** What concerns whoever is signed in, the newest first; each leads to where one sees to it. */
const router = useRouter()
const told = ref<Page | null>(null)
const { problem, busy, attempt } = useAttempt()
const read = () =>
  attempt(async () => {
    const now = await api.get('notices')
    // Earlier ones that are shown stay.
    const last = now.more ? now.notices.at(-1)!.id : 0
    const earlier = told.value?.notices.filter(each => each.id < last) ?? []
    told.value = earlier.length ? { ...now, more: told.value!.more, notices: [...now.notices, ...earlier] } : now
  })
onMounted(read)
useLive(['noticed', 'decided'], 4_000, read)

const days = computed(() => {
  const all = new Map<string, Notice[]>()
  for (const each of told.value?.notices ?? []) {
    const at = new Date(each.at)
    const day = at.toDateString()
    all.set(day, [...(all.get(day) ?? []), each])
  }
  return [...all.values()].map(notices => ({ at: notices[0]!.at, notices }))
})
const isNew = (each: Notice) => !each.read && !each.over

/** The rail counts again. */
const { count: counted } = useOutstanding()
const mark = (which: { ids?: number[]; upTo?: number }) =>
  attempt(async () => {
    const { unread } = await api.put('notices/read', { ids: [], upTo: 0, ...which })
    if (!told.value) return
    told.value.unread = unread
    for (const each of told.value.notices)
      if (each.id <= (which.upTo ?? 0) || which.ids?.includes(each.id)) each.read = true
    void counted()
  })
/** What came since the page was read has not been seen. */
const markAll = () => mark({ upTo: told.value?.notices[0]?.id ?? 0 })
const open = async (each: Notice) => {
  if (!each.read) void mark({ ids: [each.id] })
  await router.push(each.page)
}
const earlier = () =>
  attempt(async () => {
    const last = told.value?.notices.at(-1)
    if (!told.value || !last) return
    const more = await api.get(`notices?before=${last.id}`)
    told.value = { ...more, notices: [...told.value.notices, ...more.notices] }
  })
async function chosen() {
  await read()
  await counted()
}
</script>

<template>
  <main class="notices">
    <header>
      <h1>Notices</h1>
      <span class="quiet">{{ told?.unread ? `${told.unread} not read` : '' }}</span>
      <v-btn
        v-if="told?.unread"
        size="small"
        variant="outlined"
        :disabled="busy"
        @click="markAll">Mark all as read</v-btn>
    </header>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
    <div v-if="told" class="body">
      <section class="list">
        <p v-for="each in told.elsewhere" :key="each.address" class="note"><a
          :href="`/i/${each.address}/notices`">{{ each.name }}</a>: {{ each.unread }} not read there.</p>
        <p v-if="told.notices.length === 0" class="quiet">Nobody has told you anything yet. What others do and you have
          to know comes here by itself: work given to you, answers, work that is stopped or does not fit any more.</p>
        <template v-for="day in days" :key="day.at">
          <h2>{{ weekday(day.at, true) }}</h2>
          <ul>
            <li v-for="each in day.notices" :key="each.id">
              <a
                :href="$router.resolve(each.page).href"
                :class="{ new: isNew(each) }"
                @click.exact.prevent="open(each)">
                <span class="bead" aria-hidden="true" />
                <span class="words"><span v-if="isNew(each)" class="visually-hidden">Not read: </span>
                  <span><b v-if="each.by">{{ each.by }}</b> {{ each.words }}<template v-if="each.on">, {{ dated(each.on)
                  }}</template></span>
                  <q v-if="each.note">{{ each.note }}</q>
                  <small v-if="each.over">This is over.</small>
                </span>
                <time :datetime="each.at">{{ clock(each.at) }}</time>
              </a>
            </li>
          </ul>
        </template>
        <v-btn
          v-if="told.more"
          variant="outlined"
          :loading="busy"
          @click="earlier">Earlier ones</v-btn>
      </section>
      <NoticeChoices :told="told" @chosen="chosen" />
    </div>
  </main>
</template>

<style scoped>
.notices {
  height: 100%;
  overflow: auto;
}
header {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
  position: sticky;
  top: 0;
  background: var(--paper);
  z-index: 2;
}
h1 {
  font-size: 20px;
  margin: 0;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 720px) minmax(240px, 300px);
  gap: 12px 48px;
  padding: 6px 20px 40px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li a {
  display: grid;
  grid-template-columns: 14px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
  padding: 10px 8px;
  min-height: 48px;
  box-sizing: border-box;
  border-bottom: 1px solid var(--line);
  color: var(--ink) !important;
  text-decoration: none;
}
li a:hover {
  background: var(--surface);
}
/* Filled once it is read, as a bead is once it is done. */
.bead {
  width: 10px;
  height: 10px;
  margin-top: 4px;
  border-radius: 50%;
  border: 2px solid var(--quiet);
  background: var(--quiet);
}
.new .bead {
  border-color: var(--copper);
  background: none;
}
.new .words {
  font-weight: 600;
}
.words {
  display: grid;
  gap: 2px;
}
.words b {
  font-weight: 650;
}
q {
  font-weight: 400;
  color: var(--slate);
  overflow-wrap: anywhere;
}
small,
time {
  font-size: 12.5px;
  font-weight: 400;
  color: var(--slate);
}
@media (max-width: 900px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
