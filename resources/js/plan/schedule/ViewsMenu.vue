<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SavedView, ScheduleView } from '../../api/types'
import { useAttempt } from '../../ui/attempt'
import { late } from '../../ui/late'
import { USUAL } from './columns'
import { useSavedViews } from './useSavedViews'
import { isSame } from './useView'

/** Ways of looking at the schedule, under their names: one is taken up, kept, written over or thrown away. */
const props = defineProps<{ now: ScheduleView; of: string }>()
const emit = defineEmits<{ take: [view: ScheduleView, id: string]; said: [words: string, back?: () => unknown] }>()
const KeepView = late(() => import('./KeepView.vue'))
const saved = useSavedViews()
const { problem, attempt } = useAttempt()
const open = ref(false)
const keeping = ref(false)
const current = computed(() => saved.views.value.find(each => each.id === props.of) ?? null)
const isOther = computed(() => current.value !== null && !isSame(current.value.shows, props.now))
const called = computed(() => (current.value ? `${current.value.name}${isOther.value ? ', changed' : ''}` : 'Views'))
const parts = computed(() => [
  { words: 'Yours', views: saved.views.value.filter(each => each.mine) },
  { words: 'Of the crew', views: saved.views.value.filter(each => !each.mine) },
])
void attempt(saved.load)

function take(view: SavedView | null) {
  open.value = false
  emit('take', view?.shows ?? USUAL, view?.id ?? '')
}
const over = (view: SavedView) =>
  attempt(async () => {
    await saved.keep(view.id, { ...view, shows: props.now })
    open.value = false
    const now = saved.views.value.find(each => each.id === view.id)
    emit('said', `“${view.name}” shows what you see now.`, () =>
      saved.keep(view.id, { ...view, version: now?.version ?? view.version }),
    )
  })
const remove = (view: SavedView) =>
  attempt(async () => {
    await saved.remove(view)
    const again = () => saved.keep(view.id, { ...view, version: 0 })
    emit('said', `“${view.name}” is taken away.`, view.mine ? again : undefined)
  })
const keep = (view: { name: string; shared: boolean }) =>
  attempt(async () => {
    const id = crypto.randomUUID()
    await saved.keep(id, { ...view, shows: props.now, version: 0 })
    keeping.value = false
    emit('take', props.now, id)
    emit('said', `“${view.name}” is kept.`)
  })
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false">
    <template #activator="{ props: menu }"><v-btn
      v-bind="menu"
      size="small"
      variant="text"
      color="primary"
      :aria-label="called">{{ called }}</v-btn></template>
    <v-card class="views">
      <p v-if="problem && !keeping" class="note failed" role="alert">{{ problem }}</p>
      <button type="button" class="plain one" :aria-pressed="of === ''" @click="take(null)">As it comes</button>
      <template v-for="part in parts" :key="part.words">
        <h2 v-if="part.views.length">{{ part.words }}</h2>
        <p v-for="view in part.views" :key="view.id" class="view">
          <button
            type="button"
            class="plain one"
            :aria-pressed="view.id === of"
            @click="take(view)">{{ view.name }}</button>
          <span class="quiet">{{ view.mine ? (view.shared ? 'for the crew' : '') : view.by }}</span>
          <button
            v-if="view.mine"
            type="button"
            class="plain"
            :aria-label="`Take ${view.name} away`"
            @click="remove(view)">take away</button>
        </p>
      </template>
      <div class="acts">
        <v-btn
          v-if="current?.mine && isOther"
          size="small"
          variant="outlined"
          color="primary"
          @click="over(current)">Write over “{{ current.name }}”</v-btn>
        <v-btn
          size="small"
          variant="outlined"
          color="primary"
          @click="keeping = true; open = false">Keep what you see …</v-btn>
      </div>
    </v-card>
  </v-menu>
  <KeepView v-if="keeping" :problem="problem" @keep="keep" @close="keeping = false" />
</template>

<style scoped>
.views {
  padding: 12px 16px;
  min-width: 280px;
  max-width: 420px;
}
.view {
  display: flex;
  align-items: baseline;
  gap: 10px;
  margin: 0;
}
.view .quiet {
  margin-left: auto;
}
.one {
  padding: 5px 0;
}
.one[aria-pressed='true'] {
  color: var(--copper);
  font-weight: 600;
}
h2 {
  margin: 10px 0 2px;
}
.acts {
  margin-top: 12px;
}
</style>
