import { shallowRef } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Line, Row } from '../../api/types'

export interface StaleRun {
  message: string
  yours: Line
  theirs: { line: Line; row: Row } | null
}

/** Fields of a run are written; where somebody was first, both versions are there to be looked at. */
export function useWritten() {
  const stale = shallowRef<StaleRun | null>(null)

  /** Whether it was written. */
  async function write(id: string, line: Line, version: number): Promise<boolean> {
    try {
      await api.patch(`runs/${id}`, { line, version })
      stale.value = null
      return true
    } catch (error) {
      if (!(error instanceof ApiError) || error.status !== 409) throw error
      stale.value = error.body as unknown as StaleRun
      return false
    }
  }
  return { stale, write }
}
