<script setup lang="ts">
import { useRoute } from 'vue-router'
import { useSession } from '../../api/session'

const session = useSession()
const route = useRoute()
const tabs = [
  ['/crew', 'Board'],
  ['/crew/people', 'People'],
  ['/crew/workshop', 'Benches and times'],
  ['/crew/log', 'Who did what'],
] as const
</script>

<template>
  <nav class="tabs" aria-label="Crew">
    <router-link
      v-for="[path, name] in tabs.filter(([path]) => path === '/crew' || session.can('lead'))"
      :key="path"
      :to="path"
      :aria-current="route.path === path ? 'page' : undefined">{{ name }}</router-link>
  </nav>
</template>
