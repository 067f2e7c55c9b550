<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '../../api/client'
import { useSession } from '../../api/session'
import type { Schemas } from '../../api/types'
import { useAttempt } from '../../ui/attempt'

/** What somebody wants to hear of, and whether by mail. Kept as soon as it is pressed. */
const props = defineProps<{ told: Schemas['NoticesPage'] }>()
const emit = defineEmits<{ chosen: [] }>()
const session = useSession()
const { problem, attempt } = useAttempt()
const muted = ref(props.told.kinds.filter(each => each.muted).map(each => each.id))
const digest = ref(props.told.digest)
const isAddress = computed(() => session.session.person?.signIn?.includes('@') ?? false)
const keep = () =>
  attempt(async () => {
    await api.put('session/notices', { muted: muted.value, digest: digest.value })
    emit('chosen')
  })
function hear(id: (typeof muted.value)[number], wanted: boolean) {
  muted.value = wanted ? muted.value.filter(each => each !== id) : [...muted.value, id]
  void keep()
}
function mail(event: Event) {
  digest.value = (event.target as HTMLInputElement).checked
  void keep()
}
</script>

<template>
  <section class="choices" aria-labelledby="hear">
    <h2 id="hear">What you want to hear of</h2>
    <label v-for="each in told.kinds" :key="each.id"><input
      type="checkbox"
      :checked="!muted.includes(each.id)"
      @change="hear(each.id, ($event.target as HTMLInputElement).checked)"> {{ each.words }}</label>
    <p class="quiet">It holds in every installation of yours. What is left out is kept all the same, and shown when you
      choose it again.</p>
    <template v-if="told.mails">
      <label v-if="isAddress"><input
        type="checkbox"
        :checked="digest"
        @change="mail"> By mail too: once a day, what you have not read</label>
      <p v-else class="quiet">Your sign-in name is no mail address, so nothing comes by mail.</p>
    </template>
    <p v-else class="quiet">This host sends no mail; whoever runs it can set a mailer.</p>
    <p v-if="problem" class="note failed" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
label {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 40px;
  padding: 4px 0;
  box-sizing: border-box;
}
input {
  width: 18px;
  height: 18px;
  flex: none;
  accent-color: var(--verdigris);
}
p {
  margin: 4px 0;
  font-size: 13px;
}
</style>
