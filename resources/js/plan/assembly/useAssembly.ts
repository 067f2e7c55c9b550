import { computed, ref } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Answer } from '../../api/answers'
import { useAttempt } from '../../ui/attempt'
import type { Schemas } from '../../api/types'

export type AssemblyPage = Schemas['AssemblyPage']
export type AssemblyRun = Schemas['AssemblyRun']
export type AssemblyEnd = Schemas['AssemblyEnd']
export type AssemblyElement = Schemas['AssemblyElement']
export type AssemblyFitting = Schemas['AssemblyFitting']
export type Takes = Answer<'assemblies/x/takes', 'get'>
export type Follows = Answer<'assemblies/x/try', 'post'>
/** What hands do, as the server reads it; whose end it is and what was seen is added when it is sent. */
export type GestureSent = Record<string, unknown> & { kind: string }

/** One end of one run, as it is named among the ends on the page. */
export interface EndInHand {
  run: AssemblyRun
  end: AssemblyEnd
  key: string
}

/** The assembly on the page, with cables that are held beside it, and what was done to it here. */
export function useAssembly(id: string) {
  const page = ref<AssemblyPage | null>(null)
  const beside = ref<AssemblyPage[]>([])
  const done = ref<number[]>([])
  const takes = ref<Takes | null>(null)
  const missing = ref('')
  const { problem, said, busy, attempt } = useAttempt()

  const runs = computed(() => {
    const all = [page.value, ...beside.value].flatMap(each => each?.runs ?? [])
    return all.filter((run, i) => all.findIndex(other => other.id === run.id) === i)
  })
  const fittings = computed(() => {
    const all = [page.value, ...beside.value].flatMap(each => each?.fittings ?? [])
    return all.filter((fitting, i) => all.findIndex(other => other.id === fitting.id) === i)
  })
  const ends = computed<EndInHand[]>(() =>
    runs.value.flatMap(run => run.ends.map(end => ({ run, end, key: `${run.id} ${end.side}` }))),
  )

  /** Worked out after the page is there: nobody waits for it. */
  async function count() {
    takes.value = await api.get(`assemblies/${id}/takes`).catch(() => null)
  }
  async function load() {
    try {
      page.value = await api.get(`assemblies/${id}`)
      void count()
    } catch (error) {
      missing.value = error instanceof ApiError ? error.message : String(error)
    }
  }
  /** A cable of another assembly, to be landed here. */
  const hold = (run: string) =>
    attempt(async () => {
      const other = await api.get(`assemblies/${run}`)
      beside.value = [...beside.value.filter(each => each.id !== other.id), other]
    })

  const sent = (gesture: GestureSent) => ({
    ...gesture,
    seen: [...runs.value, ...fittings.value].map(each => ({ id: each.id, version: each.version })),
  })
  const look = (gesture: GestureSent) => api.post(`assemblies/${id}/try`, sent(gesture))

  async function refresh() {
    const here = new Set(page.value?.runs.map(run => run.id))
    const others = beside.value.filter(each => !each.runs.some(run => here.has(run.id)))
    beside.value = await Promise.all(others.map(each => api.get(`assemblies/${each.runs[0]!.id}`)))
  }
  /** @returns whether it was made */
  async function make(gesture: GestureSent): Promise<boolean> {
    let made = false
    await attempt(async () => {
      try {
        const answer = await api.post(`assemblies/${id}/gestures`, sent(gesture))
        page.value = answer.page
        if (answer.change !== null) done.value.push(answer.change)
        said.value = answer.change === null ? 'It is so already.' : `${answer.words}.`
        made = true
        void count()
        await refresh()
      } catch (error) {
        // Somebody else was first: what stands now is shown beside what was written here.
        if (error instanceof ApiError && error.status === 409) await load()
        throw error
      }
    })
    return made
  }
  const undo = () =>
    attempt(async () => {
      const last = done.value.at(-1)
      if (last === undefined) return
      const { words } = await api.post(`changes/${last}/undo`)
      done.value.pop()
      await load()
      await refresh()
      said.value = `${words}.`
    })

  /** Whoever compared a connector with what it mates with says so, of what the page showed. */
  const check = (fitting: string, print: string) =>
    attempt(async () => {
      try {
        page.value = (await api.put(`assemblies/${id}/checked`, { fitting, print })).page
      } catch (error) {
        if (error instanceof ApiError && error.status === 409) await load()
        throw error
      }
    })

  return {
    check,
    page,
    takes,
    runs,
    fittings,
    ends,
    done,
    missing,
    problem,
    said,
    busy,
    attempt,
    load,
    hold,
    look,
    make,
    undo,
  }
}
