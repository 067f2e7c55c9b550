<script setup lang="ts">
import { useRoute } from 'vue-router'

const route = useRoute()
const tabs = [
  ['/test', 'Cables'],
  ['/test/instruments', 'Instruments and plans'],
  ['/test/trainer', 'Trainer'],
] as const
</script>

<template>
  <nav class="tabs" aria-label="Test"><router-link
    v-for="[path, name] in tabs"
    :key="path"
    :to="path"
    :aria-current="route.path === path ? 'page' : undefined">{{ name }}</router-link></nav>
</template>
