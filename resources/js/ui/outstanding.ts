import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api } from '../api/client'
import { page } from '../api/page'
import { useSession } from '../api/session'

/** What is left to do in each place, and how many notices are not read: counted by the server, shown in the rail. */
export const useOutstanding = defineStore('outstanding', () => {
  const counts = ref<Record<string, number>>({})
  async function count() {
    if (!useSession().session.person || !page.value || document.hidden) return
    try {
      counts.value = await api.get('outstanding')
    } catch {
      // The rail does without.
    }
  }
  return { counts, count }
})
