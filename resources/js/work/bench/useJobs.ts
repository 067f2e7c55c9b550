import { onMounted, ref } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Given, JobLine, Placed } from '../../api/bench'
import { keepLately, latelySince, MANY, type Lately } from '../../api/lately'
import { useLive } from '../../api/live'

const EVERY = 10_000
const NOTHING: Given = { looms: [], jobs: [], skills: [] }

/** All jobs, read as they stood a while ago and since then as far as they are told anew; who is at them. */
export function useJobs() {
  const jobs = ref<JobLine[]>([])
  const people = ref<Placed[]>([])
  const given = ref<Given>(NOTHING)
  const problem = ref('')
  const loaded = ref(false)
  /** Where all of it was read, and what was told since. */
  let whole = ''
  let lately: Lately<JobLine> = { cursor: '', news: {} }
  /** The server may answer a question later than one that was asked after it. */
  let turn: Promise<void> = Promise.resolve()

  function lay(lines: JobLine[], news: Record<string, JobLine | null>) {
    jobs.value = lines.map(line => news[line.id] ?? line)
  }
  function begin(all: { jobs: JobLine[]; cursor: string }, since: Lately<JobLine>) {
    whole = all.cursor
    lately = since
    lay(all.jobs, since.news)
  }
  async function follow() {
    const told = await api.get(`bench?since=${lately.cursor}`)
    if (!told.isPart) return begin(told, { cursor: told.cursor, news: {} })
    const news = Object.fromEntries(told.jobs.map(each => [each.id, each]))
    lay(jobs.value, news)
    lately = { cursor: told.cursor, news: { ...lately.news, ...news } }
    if (told.jobs.length) void keepLately('bench', whole, lately)
  }
  async function read() {
    try {
      if (!lately.cursor || Object.keys(lately.news).length > MANY) {
        const all = await api.get('bench?roughly=1')
        begin(all, await latelySince('bench', all.cursor))
      }
      problem.value = ''
      await follow()
    } catch (error) {
      // Without the server it is as it was read last, which is said elsewhere.
      const isAway = error instanceof ApiError && (error.status === 0 || error.status >= 500)
      if (!isAway || !lately.cursor) problem.value = error instanceof ApiError ? error.message : String(error)
    }
    loaded.value = true
  }
  const load = () => (turn = turn.then(read))
  async function present() {
    const now = await api.get('present').catch(() => null)
    if (!now) return
    people.value = now.people
    given.value = now.given
  }
  const ready = new Promise<void>(resolve => {
    onMounted(async () => {
      await Promise.all([load(), present()])
      resolve()
    })
  })
  useLive(['decided', 'recorded'], EVERY, load)
  useLive(['present', 'told'], EVERY, present)

  const isMine = (job: JobLine) =>
    given.value.jobs.includes(job.id) ||
    given.value.looms.includes(job.loomId) ||
    job.skills.some(skill => given.value.skills.includes(skill))

  return { jobs, people, problem, loaded, ready, isMine }
}
