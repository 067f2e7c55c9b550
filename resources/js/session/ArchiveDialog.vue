<script setup lang="ts">
import { api } from '../api/client'
import { page } from '../api/page'
import { useSession } from '../api/session'
import { useAttempt } from '../ui/attempt'

/** An installation that is over is kept as it is: read, not written, and brought back any time. */
const open = defineModel<boolean>({ required: true })
const session = useSession()
const { problem, busy, attempt } = useAttempt()
const put = (archived: boolean) =>
  attempt(async () => {
    await api.put('archived', { archived })
    await session.load()
    open.value = false
  })
</script>

<template>
  <v-dialog v-model="open" max-width="460" aria-labelledby="archive-title">
    <v-card v-if="page" class="pa-5">
      <h1 id="archive-title">{{ page.archived ? `Bring ${page.name} back into use` : `Archive ${page.name}` }}</h1>
      <p>{{ page.archived ? 'Its crew plans, records and tests again.'
        : 'Everybody of its crew goes on reading it, and nobody writes. You can bring it back.' }}</p>
      <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
      <p class="acts"><v-btn
        color="primary"
        :loading="busy"
        @click="put(!page.archived)">{{ page.archived ? 'Bring it back' : 'Archive it' }}</v-btn><v-btn
          variant="text"
          @click="open = false">Cancel</v-btn></p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.acts {
  margin: 4px 0 0;
}
</style>
