<script setup lang="ts">
/** A meter's own voltage harms what is plugged in, and what is plugged in falsifies the meter: asked once a cable. */
const unplugged = defineModel<boolean>({ required: true })
</script>

<template>
  <div class="unplug" role="group" aria-label="Before it is measured">
    <p><b>Both ends off equipment and off power.</b> The meter puts its own voltage on the cable, and what is plugged in
      falsifies what it shows. Mains is for licensed people, by local codes.</p>
    <v-checkbox v-model="unplugged" label="Both ends are unplugged" density="compact" hide-details />
  </div>
</template>

<style scoped>
.unplug {
  border-left: 4px solid var(--copper);
  padding: 4px 0 4px 10px;
  margin: 6px 0;
}
.unplug p {
  margin: 0;
}
</style>
