<script setup lang="ts">
import { address } from '../api/page'
import InstallationsPage from './InstallationsPage.vue'

/** This address is of no installation of the person's own, or they have none yet. */
</script>

<template>
  <InstallationsPage :heading="address ? 'Not of your crew' : 'No installation yet'">
    <p v-if="address">No installation of your crews is called <b class="mono">{{ address }}</b>. Its lead can take you
      into its crew; or something was mistyped.</p>
  </InstallationsPage>
</template>
