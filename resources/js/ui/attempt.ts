import { ref } from 'vue'
import { ApiError } from '../api/client'

interface Listed {
  path: string
  value: string
  words: string
}

/** What is missing has no value to show. */
const said = (value: string) => (value === 'null' || value === '' ? '' : `"${value}"`)

/** A refusal in one line: the listed problems, else the words on its fields, else the message. */
export function refusal(error: ApiError): string {
  const listed = (error.body.problems ?? []) as Listed[]
  return (
    listed.map(each => [each.path, said(each.value), each.words].filter(Boolean).join(' ')).join(' ') ||
    Object.values(error.fields).flat().join(' ') ||
    error.message
  )
}

/** Work asked of the server: what is under way, what was refused, what was done. */
export function useAttempt() {
  const problem = ref('')
  const said = ref('')
  const busy = ref(false)

  async function attempt(work: () => Promise<unknown>, done?: string) {
    problem.value = ''
    busy.value = true
    try {
      await work()
      if (done !== undefined) said.value = done
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      said.value = ''
      problem.value = refusal(error)
    } finally {
      busy.value = false
    }
  }

  return { problem, said, busy, attempt }
}
