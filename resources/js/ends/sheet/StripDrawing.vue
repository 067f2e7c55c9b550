<script setup lang="ts">
/** The prepared end to scale, as the server draws it for paper too. */
defineProps<{ src: string; name: string }>()
</script>

<template>
  <figure class="strip"><img :src="src" :alt="`Stripped end to scale: ${name}`"></figure>
</template>

<style scoped>
.strip {
  margin: 6px 0;
  background: #fff;
  border: 1px solid var(--line);
  border-radius: 4px;
}
img {
  width: 100%;
  height: auto;
  display: block;
}
</style>
