<script setup lang="ts">
import { useRoute } from 'vue-router'

const route = useRoute()
const TABS = [
  { to: '/rules', name: 'House' },
  { to: '/rules/building', name: 'Building' },
  { to: '/rules/equipment', name: 'Equipment' },
  { to: '/rules/plans', name: 'Contact plans' },
  { to: '/rules/catalogue', name: 'Catalogue' },
]
const here = (to: string) => (to === '/rules' ? route.path === to : route.path.startsWith(to))
</script>

<template>
  <nav class="tabs" aria-label="Kinds of rules"><router-link
    v-for="tab in TABS"
    :key="tab.to"
    :to="tab.to"
    :aria-current="here(tab.to) ? 'page' : undefined">{{ tab.name }}</router-link></nav>
</template>
