import { computed, onMounted, onUnmounted, ref } from 'vue'
import { api, ApiError } from '../../api/client'
import { keepLately, latelySince, MANY, type Lately } from '../../api/lately'
import { useLive } from '../../api/live'
import { useOutbox, type Waiting } from '../../api/outbox'
import type { Built, Site, SiteRun } from '../../api/site'
import type { BeadState } from '../../api/types'

const EVERY = 15_000

/** The list of the site with what was confirmed here and not sent yet laid over it. */
export function useSite() {
  const outbox = useOutbox()
  const site = ref<Site | null>(null)
  const problem = ref('')
  /** The server has these, but what is shown was read before: without them a step would be open again for a moment. */
  const unread = ref<Waiting[]>([])
  let asked = 0
  let shown = 0
  /** Where all of it was read, and what was told since. */
  let whole = ''
  let lately: Lately<SiteRun> = { cursor: '', news: {} }

  /** As far as it is told since; all of it where that is not known, or is too much. */
  async function read(): Promise<{ all: Site | null; since: Lately<SiteRun> }> {
    if (site.value && lately.cursor && Object.keys(lately.news).length < MANY) {
      const told = await api.get(`site/since/${lately.cursor}`)
      if (told.runs) return { all: null, since: { cursor: told.cursor, news: told.runs } }
    }
    const all = await api.get('site')
    return { all, since: await latelySince('site', all.cursor) }
  }

  async function load() {
    const number = ++asked
    const sent = new Set(unread.value.map(item => item.id))
    try {
      const { all, since } = await read()
      problem.value = ''
      // An answer that was passed on its way is older than what is shown.
      if (number < shown) return
      shown = number
      whole = all?.cursor ?? whole
      lately = { cursor: since.cursor, news: all ? since.news : { ...lately.news, ...since.news } }
      const known = all ?? site.value
      const news = Object.entries(since.news).filter((each): each is [string, SiteRun] => each[1] !== null)
      if (known) site.value = { ...known, runs: { ...known.runs, ...Object.fromEntries(news) } }
      if (!all && news.length) void keepLately('site', whole, lately)
      unread.value = unread.value.filter(item => !sent.has(item.id))
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      away(error)
      if (!site.value) problem.value = error.message
    }
  }
  /** Out of reach, what is confirmed waits here. */
  function away(error: unknown) {
    if (error instanceof ApiError && (error.status === 0 || error.status >= 500)) outbox.offline = true
  }
  onMounted(load)
  const isFree = () => !outbox.offline && outbox.of('events').length === 0
  useLive(['decided', 'recorded'], EVERY, () => isFree() && load(), away)
  onUnmounted(
    outbox.listen('events', {
      sent: item => {
        unread.value = [...unread.value, item]
        if (outbox.of('events').length <= 1) void load()
      },
    }),
  )

  const waiting = computed(() => outbox.of('events'))
  /** As it stands here: what the server told, and what it has not told yet or does not know. */
  const runs = computed<Record<string, SiteRun>>(() => {
    const all: Record<string, SiteRun> = {}
    for (const [id, run] of Object.entries(site.value?.runs ?? {})) all[id] = { ...run, steps: { ...run.steps } }
    for (const { body } of [...unread.value, ...waiting.value]) {
      const run = all[body.run as string]
      if (!run) continue
      const taken = body.kind === 'taken-back'
      const step = site.value?.steps.find(
        each =>
          each.kind === (taken ? body.undoes : body.kind) &&
          (each.side === null || each.side === body.side) &&
          each.id in run.steps,
      )
      if (step && step.id !== 'tested') run.steps[step.id] = (taken ? 'to-do' : 'done') satisfies BeadState
      const built = body.built as { length?: string; ways?: string[] } | undefined
      if (built)
        run.built = {
          length: built.length ?? run.built?.length ?? null,
          ways: built.ways ?? run.built?.ways ?? null,
          difference: null,
        } satisfies Built
    }
    return all
  })
  const left = (run: SiteRun) => Object.values(run.steps).filter(state => state !== 'done').length
  const next = (run: SiteRun) => site.value?.steps.find(step => step.id in run.steps && run.steps[step.id] !== 'done')

  function confirm(run: SiteRun, stepId: string, built?: { length?: string; ways?: string[] }) {
    const step = site.value!.steps.find(each => each.id === stepId)!
    return outbox.add(
      'events',
      {
        id: crypto.randomUUID(),
        kind: step.kind,
        run: run.id,
        at: new Date().toISOString(),
        on: run.basis,
        ...(step.side ? { side: step.side } : {}),
        ...(built ? { built } : {}),
      },
      `${run.code} ${step.words}`,
    )
  }
  function takeBack(run: SiteRun, stepId: string) {
    const step = site.value!.steps.find(each => each.id === stepId)!
    return outbox.add(
      'events',
      {
        id: crypto.randomUUID(),
        kind: 'taken-back',
        run: run.id,
        at: new Date().toISOString(),
        on: run.basis,
        undoes: step.kind,
        ...(step.side ? { side: step.side } : {}),
      },
      `${run.code} not ${step.words}`,
    )
  }

  return { site, runs, problem, waiting, left, next, confirm, takeBack, load }
}
