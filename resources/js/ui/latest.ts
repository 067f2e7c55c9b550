/**
 * Answers may overtake one another on their way. Of questions that are asked again and again while somebody types, only
 * the answer to the last one counts, and only its refusal.
 */
export function useLatest() {
  let asked = 0

  async function latest<T>(question: Promise<T>, then: (answer: T) => void) {
    const mine = ++asked
    try {
      const answer = await question
      if (mine === asked) then(answer)
    } catch (error) {
      if (mine === asked) throw error
    }
  }
  /** What is on its way is no longer waited for. */
  function forget() {
    asked++
  }

  return { latest, forget }
}
