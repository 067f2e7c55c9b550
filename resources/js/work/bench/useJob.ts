import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import { useOutbox } from '../../api/outbox'
import { belongsTo, endpoint } from '../../api/page'
import type { BenchEvent, Job, JobState, Piece, Placed, Remedy, Stands, Step } from '../../api/bench'
import { lately } from '../../ui/recent'

/** s between two looks at what the others did. */
const LOOK = 3
/** Records that a page remembers having sent. */
const REMEMBERED = 200
/** Longer than this nobody takes for one piece: they were away. */
const AWAY = 20 * 60

export interface Place {
  step: Step
  piece: Piece
  index: number
}

/**
 * A job with everything that was recorded on it. What is confirmed counts at
 * once and goes through the outbox, each under an id of its own, so that a
 * repeat is the same record; what could not be sent waits on this device.
 */
export function useJob(ids: () => string) {
  const job = ref<Job | null>(null)
  const state = ref<JobState | null>(null)
  const people = ref<Placed[]>([])
  const problem = ref('')
  const at = ref('')
  const outbox = useOutbox()
  const path = `bench/${ids()}/events`
  const pictures = `bench/${ids()}/pictures`
  const unsent = computed(() => outbox.of(path).map(item => item.body as unknown as BenchEvent))
  /** Of this page, and the server has it: what it last told may not know of it yet. */
  const sentHere = ref<BenchEvent[]>([])
  const offline = computed(() => outbox.offline)
  let since = Date.now()

  const places = computed<Place[]>(() =>
    (job.value?.steps ?? []).flatMap(step => step.pieces.map((piece, index) => ({ step, piece, index }))),
  )
  const byId = computed(() => new Map(places.value.map(place => [place.piece.id, place])))

  /** As recorded, with what is still on its way on top. */
  const standings = computed(() => {
    const all: Record<string, Stands> = { ...state.value?.standings }
    for (const event of unsent.value) {
      if (!event.step) continue
      if (event.kind === 'taken-back' || (event.kind === 'flagged' && event.flag !== 'redone'))
        all[event.step] = { status: 'to-do' }
      else if (event.kind === 'skipped') all[event.step] = { status: 'skipped', note: event.note }
      else if (byId.value.get(event.step)?.step.event === event.kind) all[event.step] = { status: 'done', at: event.at }
    }
    return all
  })
  const standing = (id: string): Stands => standings.value[id] ?? { status: 'to-do' }
  const settled = (id: string) => ['done', 'skipped', 'found'].includes(standing(id).status)
  /** What stands in the way of a piece. */
  const waitsFor = (piece: Piece) =>
    (piece.needs ?? []).filter(([before]) => byId.value.has(before) && !settled(before))
  const elsewhere = (id: string) => people.value.find(person => person.step === id)

  /** The next piece that can be done, after this one in the order of work, and that nobody else has in hand. */
  function next(after = '') {
    const from = places.value.findIndex(place => place.piece.id === after)
    const rest = [...places.value.slice(from + 1), ...places.value.slice(0, from + 1)]
    const free = (place: Place) => !settled(place.piece.id) && waitsFor(place.piece).length === 0
    return (rest.find(place => free(place) && !elsewhere(place.piece.id)) ?? rest.find(free))?.piece.id ?? ''
  }
  /** What was confirmed last, whoever did it. */
  function latest() {
    const last = Object.entries(standings.value)
      .filter(([id, each]) => each.status === 'done' && each.at && byId.value.has(id))
      .sort((a, b) => (a[1].at! < b[1].at! ? 1 : -1))[0]
    return last ? { place: byId.value.get(last[0])!, by: last[1].by ?? '', at: last[1].at! } : null
  }
  /** Where somebody picks up: after that. */
  const first = () => next(latest()?.place.piece.id ?? places.value.at(-1)?.piece.id ?? '')

  async function load() {
    try {
      const answer = await api.get(`bench/${ids()}`)
      job.value = answer.job
      state.value = answer.state
      people.value = answer.people
      const [run] = answer.job.runs
      if (run) lately({ kind: 'job', name: run.code, about: 'at the bench', path: `/bench/${ids()}` })
      problem.value = ''
      if (!byId.value.has(at.value)) at.value = first()
      void outbox.flush()
    } catch (error) {
      problem.value = error instanceof ApiError ? error.message : String(error)
    }
  }

  /** What was recorded here while an answer was on its way is not in it, and stands all the same. */
  function take(answer: NonNullable<typeof state.value>, known: Set<string>) {
    for (const { id, step } of sentHere.value) {
      const own = step && !known.has(id) ? state.value?.standings[step] : undefined
      if (step && own) answer.standings[step] = own
    }
    state.value = answer
  }
  const sentBefore = () => new Set(sentHere.value.map(event => event.id))

  async function look() {
    if (!job.value || !state.value || document.hidden) return
    const known = sentBefore()
    try {
      const answer = await api.get(`bench/${ids()}/since/${state.value.cursor}?step=${encodeURIComponent(at.value)}`)
      outbox.offline = false
      people.value = answer.people
      if (answer.state) take(answer.state, known)
      // Somebody else did this one meanwhile.
      if (at.value && settled(at.value) && !unsent.value.length) at.value = next(at.value)
      void outbox.flush()
    } catch (error) {
      outbox.offline = error instanceof ApiError && error.status === 0
    }
  }
  useIntervalFn(look, LOOK * 1000)

  const stop = outbox.listen(path, {
    sent: item => {
      sentHere.value = [...sentHere.value.slice(-REMEMBERED), item.body as unknown as BenchEvent]
      const step = (item.body as unknown as BenchEvent).step
      const own = step ? standings.value[step] : undefined
      if (state.value && step && own) state.value.standings[step] = { on: [], ...own }
    },
    // This one is not done, and stays on the device with the reason. What else was confirmed is still sent; what
    // followed on it is refused in its turn.
    refused: (item, error) => {
      problem.value = error.message
      const refused = (item.body as unknown as BenchEvent).step ?? ''
      void refresh().then(() => {
        if (byId.value.has(refused)) at.value = settled(refused) ? next(refused) : refused
      })
      return false
    },
  })
  onScopeDispose(stop)
  onScopeDispose(outbox.listen(pictures, { sent: () => void refresh().catch(() => undefined) }))

  async function refresh() {
    const known = sentBefore()
    const answer = await api.get(`bench/${ids()}`)
    take(answer.state, known)
    people.value = answer.people
  }

  /** Seconds of hands at work since the last one; pauses do not count. */
  function took() {
    const seconds = Math.round((Date.now() - since) / 100) / 10
    since = Date.now()
    return seconds > AWAY ? undefined : seconds
  }
  const restart = () => {
    since = Date.now()
  }

  /** Steps that a step needs, and that need it, with itself. */
  const near = computed(() => {
    const all = new Map<string, Set<string>>()
    const put = (a: string, b: string) => all.set(a, (all.get(a) ?? new Set([a])).add(b))
    for (const { piece } of places.value)
      for (const [before] of piece.needs ?? []) {
        put(piece.id, before)
        put(before, piece.id)
      }
    return all
  })
  /** What a record on a step is done on: what the server told, and what was recorded here since. */
  function on(step: string): string[] | undefined {
    // What this device read last may be of an earlier version, which did not tell.
    if (!state.value?.since) return undefined
    const around = near.value.get(step) ?? new Set([step])
    const here = [...sentHere.value, ...unsent.value].filter(event => around.has(event.step ?? ''))
    const there = [...around].flatMap(id => state.value?.standings[id]?.on ?? [])
    const apart = (state.value?.conflicts ?? [])
      .filter(conflict => conflict.step === step)
      .flatMap(conflict => conflict.said.map(said => said.id))
    const holds = (state.value?.holds ?? []).map(hold => hold.id)
    return [...new Set([state.value.since, ...there, ...apart, ...holds, ...here.map(event => event.id)])]
  }

  function record(event: Omit<BenchEvent, 'id' | 'at' | 'on'>) {
    problem.value = ''
    const sent = {
      ...{ id: crypto.randomUUID() as string, at: new Date().toISOString() },
      ...(event.step ? { on: on(event.step) } : {}),
      ...event,
    }
    void outbox.add(path, sent, byId.value.get(event.step ?? '')?.piece.words ?? event.kind)
  }

  /** A photo of the end that a piece is of. */
  const picture = (piece: Piece, taken: Blob) =>
    outbox.add(
      pictures,
      { id: crypto.randomUUID(), at: new Date().toISOString(), run: piece.run, step: piece.id },
      'Photo of an end',
      taken,
    )

  /** Like pieces at once share the time that they took. */
  function confirmAll(all: Place[]) {
    const seconds = took()
    for (const place of all)
      confirm(place, '', {}, seconds === undefined ? undefined : Math.round((seconds / all.length) * 10) / 10)
  }

  function confirm(place: Place, note = '', flaws: Record<string, Remedy> = {}, seconds = took()) {
    record({
      kind: place.step.event,
      run: place.piece.run,
      step: place.piece.id,
      took: seconds,
      ...(note ? { note } : {}),
      ...(Object.keys(flaws).length ? { flaws } : {}),
    })
    at.value = next(place.piece.id)
  }

  const go = (id: string) => {
    at.value = id
  }

  /** Whoever goes leaves the place to the others at once. */
  const leave = () => {
    if (state.value)
      void fetch(endpoint(`bench/${ids()}/since/${state.value.cursor}?step=`), {
        keepalive: true,
        headers: { Accept: 'application/json', ...belongsTo() },
      }).catch(() => undefined)
  }
  onScopeDispose(leave)
  useEventListener(window, 'pagehide', leave)

  watch(at, () => {
    if (job.value) void look()
  })

  return {
    job,
    state,
    people,
    problem,
    at,
    unsent,
    offline,
    places,
    byId,
    standing,
    settled,
    waitsFor,
    elsewhere,
    latest,
    next,
    first,
    go,
    load,
    refresh,
    record,
    picture,
    confirm,
    confirmAll,
    restart,
  }
}
