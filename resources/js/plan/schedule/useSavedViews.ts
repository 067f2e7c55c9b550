import { ref } from 'vue'
import { api } from '../../api/client'
import type { SavedView, ScheduleView } from '../../api/types'

type Kept = Pick<SavedView, 'name' | 'shared' | 'version'> & { shows: ScheduleView }

/** The views that are kept on the server, one's own and the crew's. */
export function useSavedViews() {
  const views = ref<SavedView[]>([])
  const load = async () => {
    views.value = (await api.get('schedule/views')).views
  }
  /** Whatever comes of a write, what stands now is read again. */
  async function keep(id: string, view: Kept) {
    await api.put(`schedule/views/${id}`, view).finally(() => load().catch(() => undefined))
  }
  async function remove({ id, version }: SavedView) {
    await api.delete(`schedule/views/${id}`, { version }).finally(() => load().catch(() => undefined))
  }
  return { views, load, keep, remove }
}
