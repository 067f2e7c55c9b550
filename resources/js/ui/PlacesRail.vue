<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useLive } from '../api/live'
import { page } from '../api/page'
import { useSession } from '../api/session'
import WhoButton from '../session/WhoButton.vue'
import { useOutstanding } from './outstanding'
import { isHere, nearest, NOTICES, PLACES } from './places'

/** Where one can go. On a phone what the role needs stands in a bar, and everything else a press away. */
const emit = defineEmits<{ find: []; template: []; archive: []; keys: []; leave: [] }>()
const session = useSession()
const route = useRoute()
const person = computed(() => session.session.person)
const near = computed(() => nearest(person.value?.roles ?? []))
const open = ref(false)
watch(
  () => route.fullPath,
  () => {
    open.value = false
  },
)
useEventListener(document, 'keydown', event => {
  if (event.key === 'Escape') open.value = false
})
/** Whoever is at a place that is not in the bar reads there where that is. */
const isElsewhere = computed(
  () => PLACES.find(each => isHere(each.path, route.path) && !near.value.includes(each.path))?.name ?? '',
)

const all = useOutstanding()
const { counts: outstanding } = storeToRefs(all)
const { count } = all
const unread = computed(() => outstanding.value.notices ?? 0)
/** Said once to whoever does not see the rail. */
const news = ref('')
watch(unread, (now, before) => {
  news.value = now > before ? (now === 1 ? 'One notice for you.' : `${now} notices for you.`) : ''
})
useLive(['decided', 'recorded', 'told'], 20_000, count)
useLive(['noticed'], 4_000, count)

watch(
  () => [route.path.split('/')[1], person.value],
  () => {
    void count()
  },
  { immediate: true },
)
</script>

<template>
  <nav class="rail" :class="{ open: open || !page }" aria-label="Places of work">
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
        v-for="place in PLACES"
        :key="place.path"
        :class="{ near: near.includes(place.path) }">
        <router-link
          :to="place.path"
          :class="{ here: isHere(place.path, route.path) }"
          :aria-current="isHere(place.path, route.path) ? 'page' : undefined">
          <span class="dot" />{{ place.name }}<span
            v-if="outstanding[place.path.slice(1)]"
            class="left"
            :title="`${outstanding[place.path.slice(1)]} outstanding`">{{ outstanding[place.path.slice(1)] }}</span>
          <kbd>g {{ place.key }}</kbd>
        </router-link>
      </li>
    </ul>
    <router-link
      v-if="page"
      :to="NOTICES.path"
      class="notices"
      :class="{ here: route.path === NOTICES.path }"
      :aria-current="route.path === NOTICES.path ? 'page' : undefined"><svg
        width="14"
        height="14"
        viewBox="0 0 14 14"
        aria-hidden="true"><path
          d="M3 13V1.5h8.5L9 4.75 11.5 8H3"
          fill="none"
          stroke="currentColor"
          stroke-width="1.6"
          stroke-linejoin="round" /></svg> {{ NOTICES.name }}<b
            v-if="unread"
            class="unread">{{ unread }}</b><kbd v-else>g
              {{ NOTICES.key }}</kbd></router-link>
    <span class="visually-hidden" role="status">{{ news }}</span>
    <a
      v-if="!page && session.session.open"
      class="back"
      :href="`/i/${session.session.open.address}/schedule`">Back to
      {{ session.session.open.name }}</a>
    <button v-if="page" type="button" class="finder" @click="emit('find')"><svg
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
        @template="emit('template')"
        @archive="emit('archive')"
        @keys="emit('keys')"
        @leave="emit('leave')" />
    </div>
    <button
      v-if="page"
      type="button"
      class="more"
      :aria-expanded="open"
      :class="{ here: isElsewhere && !open }"
      @click="open = !open">{{ open ? 'Less' : isElsewhere || 'All places' }}<small>{{ page.name }}</small>
      <b v-if="unread && !open" class="unread">{{ unread }}</b></button>
  </nav>
</template>

<style scoped>
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
.notices {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 9px 12px;
  margin-top: 14px;
  border-radius: 4px;
  color: var(--ink) !important;
  text-decoration: none;
}
.notices:hover {
  background: var(--paper);
}
.notices.here {
  background: var(--surface);
  font-weight: 600;
}
.notices kbd {
  margin-left: auto;
}
.unread {
  margin-left: auto;
  min-width: 20px;
  padding: 1px 5px;
  box-sizing: border-box;
  text-align: center;
  border-radius: 10px;
  font-size: 12.5px;
  background: var(--copper-fill);
  color: var(--on-action);
}
.more .unread {
  position: absolute;
  top: 2px;
  right: 4px;
}
.finder {
  all: unset;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 9px 12px;
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
.more {
  display: none;
}
@media (max-width: 700px) {
  .rail {
    grid-row: 2;
    flex-direction: row;
    padding: 2px 4px;
    border-right: 0;
    border-top: 1px solid var(--line);
    align-items: stretch;
  }
  .name,
  ul::before,
  li kbd,
  .left,
  .finder kbd,
  .notices kbd,
  .rail:not(.open) li:not(.near),
  .rail:not(.open) .finder,
  .rail:not(.open) .notices,
  .rail:not(.open) .foot {
    display: none;
  }
  ul {
    display: flex;
    flex: 1;
  }
  li {
    flex: 1;
  }
  li a,
  .finder,
  .notices,
  .more {
    min-height: 48px;
    justify-content: center;
    gap: 7px;
    padding: 4px;
    margin: 0;
  }
  .more {
    all: unset;
    display: flex;
    flex: 0 0 30%;
    flex-direction: column;
    min-width: 0;
    min-height: 48px;
    align-items: center;
    justify-content: center;
    box-sizing: border-box;
    border-left: 1px solid var(--line);
    cursor: pointer;
    position: relative;
  }
  .more.here {
    font-weight: 600;
  }
  /* Which installation is in hand matters more than who holds the phone. */
  .more small {
    max-width: 100%;
    padding: 0 4px;
    box-sizing: border-box;
    overflow: hidden;
    white-space: nowrap;
    text-overflow: ellipsis;
    font-size: 12px;
    font-weight: 400;
    color: var(--slate);
  }
  .open .more small {
    display: none;
  }
  .more:focus-visible {
    outline: 2px solid var(--copper);
    outline-offset: -2px;
  }
  .rail.open {
    flex-direction: column;
    max-height: 88dvh;
    overflow: auto;
  }
  .open ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  .open li a,
  .open .notices,
  .open .finder {
    justify-content: flex-start;
    padding: 4px 12px;
  }
  .open .left {
    display: inline;
  }
  .open .more {
    flex: 0 0 48px;
    border-left: 0;
    border-top: 1px solid var(--line);
  }
  .foot {
    margin: 0;
  }
}
</style>
