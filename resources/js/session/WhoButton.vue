<script setup lang="ts">
import { ref } from 'vue'
import { page } from '../api/page'
import { useSession } from '../api/session'
import { late, useOpened } from '../ui/late'

/** Which installation is in hand and who holds it; pressed, what else there is. */
const emit = defineEmits<{ template: []; archive: []; keys: []; leave: [] }>()
const WhoMenu = late(() => import('./WhoMenu.vue'))
const session = useSession()
const button = ref<HTMLButtonElement | null>(null)
const menu = ref(false)
const opened = useOpened({ menu })
</script>

<template>
  <button
    v-if="session.session.person"
    ref="button"
    type="button"
    class="who"
    aria-haspopup="menu"
    :aria-expanded="menu"
    @click="menu = !menu"><span class="site">{{ page?.name ?? 'No installation open' }}</span>
    <span>{{ session.session.person.name }}</span><span class="quiet">{{ page
      ? session.session.person.roles.join(', ') : session.session.person.organisation }}</span></button>
  <WhoMenu
    v-if="opened.menu && button"
    v-model="menu"
    :activator="button"
    @template="emit('template')"
    @archive="emit('archive')"
    @keys="emit('keys')"
    @leave="emit('leave')" />
</template>

<style scoped>
.who {
  display: flex;
  flex-direction: column;
  text-align: left;
  width: 100%;
  padding: 8px 10px;
  font: inherit;
  font-size: 12.5px;
  border: 0;
  border-radius: 4px;
  background: none;
  cursor: pointer;
  color: var(--ink);
}
.who:hover {
  background: var(--paper);
}
.site {
  font-weight: 600;
}
@media (max-width: 700px) {
  .who .quiet {
    display: none;
  }
  .who span {
    max-width: 100%;
    overflow: hidden;
    white-space: nowrap;
    text-overflow: ellipsis;
  }
}
</style>
