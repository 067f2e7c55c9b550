const LOCK = 'sartal.outbox'
/** ms that a tab waits for another, which may have been put to sleep with its turn. */
const PATIENCE = 15_000

/**
 * One tab of this device sends at a time, so that things arrive in the order in which they were done. Where the browser
 * knows no such turns, or another keeps its own for too long, this one sends all the same: what is sent twice is the
 * same record.
 */
export async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (!('locks' in navigator)) return work()
  let begun = false
  const begin = () => {
    begun = true
    return work()
  }
  try {
    return await navigator.locks.request(LOCK, { signal: AbortSignal.timeout(PATIENCE) }, begin)
  } catch (error) {
    if (begun) throw error
    return work()
  }
}
