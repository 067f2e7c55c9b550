<script setup lang="ts">
import type { Sheet } from '../../api/types'
import MadeSteps from './MadeSteps.vue'

/** What is done to an end as a whole before its legs are made: sleeving, sheath, legs cut to length, the boot. */
defineProps<{ opened: NonNullable<Sheet['opened']>; src: string }>()
</script>

<template>
  <div class="opening">
    <section>
      <h2>1 · On the cable first</h2>
      <ol>
        <li v-for="slide in opened.slides" :key="slide.name + slide.note">{{ slide.name }}<span
          v-if="slide.note"
          class="quiet note-of">{{ slide.note }}</span></li>
      </ol>
      <p v-if="opened.slides.length === 0" class="quiet">Nothing.</p>
      <h2>Tools</h2>
      <p>{{ opened.tools.join(' · ') }}</p>
      <p v-for="caution in opened.cautions" :key="caution" class="note check">{{ caution }}</p>
      <p class="quiet">Each leg has a sheet of its own: it is made from where this stops.</p>
    </section>
    <section>
      <h2>2 · Open it, step by step</h2>
      <MadeSteps :made="opened.made" :src="src" />
    </section>
  </div>
</template>

<style scoped>
.opening {
  display: grid;
  grid-template-columns: minmax(240px, 1fr) minmax(320px, 2fr);
  gap: 28px;
  max-width: 1100px;
}
ol {
  margin: 0;
  padding-left: 22px;
}
li {
  padding: 2px 0;
}
.note-of {
  display: block;
  font-size: 13px;
}
@media (max-width: 760px) {
  .opening {
    grid-template-columns: 1fr;
  }
}
</style>
