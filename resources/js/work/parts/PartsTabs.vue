<script setup lang="ts">
import { useRoute } from 'vue-router'

const route = useRoute()
const TABS = [
  { to: '/parts', name: 'List' },
  { to: '/parts/worth', name: 'Make or buy' },
]
</script>

<template>
  <nav class="tabs" aria-label="Parts"><router-link
    v-for="tab in TABS"
    :key="tab.to"
    :to="tab.to"
    :aria-current="route.path === tab.to ? 'page' : undefined">{{ tab.name }}</router-link></nav>
</template>
