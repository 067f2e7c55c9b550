<script setup lang="ts">
import { computed } from 'vue'
import { page, visit } from '../api/page'
import { useSession } from '../api/session'
import { dates, DATES } from '../ui/dates'
import { guided } from '../ui/guided'
import { theme, THEMES } from '../ui/theme'
import { SYSTEMS, system } from '../ui/units'

/** Other installations, and what concerns whoever is signed in. */
defineProps<{ activator: HTMLElement }>()
const emit = defineEmits<{ template: []; archive: []; keys: []; leave: [] }>()
const open = defineModel<boolean>({ required: true })
const session = useSession()
const others = computed(() => session.session.installations?.filter(each => !each.archived).slice(0, 7) ?? [])
const person = computed(() => session.session.person)
</script>

<template>
  <v-menu v-model="open" :activator="activator" :open-on-click="false">
    <v-list density="compact" class="menu">
      <v-list-item
        v-for="each in others"
        :key="each.id"
        :active="each.id === page?.id"
        :title="each.name"
        @click="visit(each)" />
      <v-list-item title="All installations …" to="/installations" />
      <v-divider />
      <v-list-item
        v-if="session.looksAfter('installations') && session.plans && page"
        title="Begin the next one from this …"
        @click="emit('template')" />
      <template v-for="(words, key) in SYSTEMS" :key="key"><v-list-item
        v-if="key !== system"
        :title="words"
        @click="system = key" /></template>
      <template v-for="(words, key) in THEMES" :key="key"><v-list-item
        v-if="key !== theme"
        :title="words"
        @click="theme = key" /></template>
      <template v-for="(words, key) in DATES" :key="key"><v-list-item
        v-if="key !== dates"
        :title="words"
        @click="dates = key" /></template>
      <v-list-item title="Your account" to="/account" />
      <v-list-item v-if="person?.offices?.length" :title="person.organisation ?? 'Organisation'" to="/organisation" />
      <v-list-item
        v-if="page && session.can('lead')"
        :title="page.archived ? 'Bring this one back into use' : 'Archive this one …'"
        @click="emit('archive')" />
      <v-list-item
        v-if="page"
        :title="guided ? 'Leave the guide' : 'Guide, step by step'"
        @click="guided = !guided" />
      <v-list-item title="Keys" @click="emit('keys')" />
      <v-list-item title="Sign out" @click="emit('leave')" />
    </v-list>
  </v-menu>
</template>
