import { shallowRef } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Line, Row, RunPage } from '../../api/types'

interface StaleRun {
  message: string
  yours: Line
  theirs: { line: Line; row: Row } | null
}

/** Fields of a run are written; where somebody was first, both versions are there to be looked at. */
export function useWritten() {
  const stale = shallowRef<StaleRun | null>(null)

  /** The run as it stands then; null where it was not written. */
  async function write(id: string, line: Line, version: number): Promise<RunPage | null> {
    try {
      const run = await api.patch(`runs/${id}`, { line, version })
      stale.value = null
      return run
    } catch (error) {
      if (!(error instanceof ApiError) || error.status !== 409) throw error
      stale.value = error.body as unknown as StaleRun
      return null
    }
  }
  return { stale, write }
}
