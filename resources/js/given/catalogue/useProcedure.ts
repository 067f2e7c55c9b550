import { computed, ref, shallowRef, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Trial } from '../../api/types'
import type { MakingStep, Procedure } from './procedure'

interface Problem {
  path: string
  value: string
  words: string
}
/** ms of quiet after which what was changed is tried. */
const QUIET = 300

const copied = <T>(of: T): T => JSON.parse(JSON.stringify(of)) as T

/** A procedure in hand: its steps, the one that is looked at, what can be undone, and how it goes on real ends. */
export function useProcedure(source: Procedure) {
  const procedure = ref<Procedure>(copied(source))
  const past = ref<string[]>([])
  const future = ref<string[]>([])
  const at = ref(0)
  const end = ref(0)
  const trial = shallowRef<Trial | null>(null)
  const problems = ref<Problem[]>([])
  const message = ref('')
  const trying = ref(false)
  const step = computed(() => procedure.value.steps[at.value])
  let turn = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  async function attempt() {
    const mine = ++turn
    trying.value = true
    try {
      const answer = await api.post('types/procedure/try', {
        definition: procedure.value as unknown as Record<string, unknown>,
        end: end.value,
        step: step.value?.id ?? '',
      })
      if (mine !== turn) return
      // At first, where there is something to see; not where somebody went meanwhile.
      if (trial.value === null && at.value === 0)
        at.value = Math.max(
          0,
          answer.steps.findIndex(each => each.called && each.mark !== ''),
        )
      trial.value = answer
      problems.value = []
      message.value = ''
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (mine !== turn) return
      problems.value = (error.body.problems ?? []) as Problem[]
      message.value = problems.value.length ? '' : error.message
    } finally {
      if (mine === turn) trying.value = false
    }
  }
  watch(
    [procedure, end, at],
    () => {
      clearTimeout(timer)
      timer = setTimeout(() => void attempt(), QUIET)
    },
    { deep: true },
  )

  function change(work: (of: Procedure) => void) {
    past.value.push(JSON.stringify(procedure.value))
    future.value = []
    const next = copied(procedure.value)
    work(next)
    procedure.value = next
    at.value = Math.max(0, Math.min(at.value, next.steps.length - 1))
  }
  function swap(from: string[], to: string[]) {
    const last = from.pop()
    if (last === undefined) return
    to.push(JSON.stringify(procedure.value))
    procedure.value = JSON.parse(last) as Procedure
    at.value = Math.max(0, Math.min(at.value, procedure.value.steps.length - 1))
  }
  const undo = () => swap(past.value, future.value)
  const redo = () => swap(future.value, past.value)

  /** One field of the step in hand; what is empty is left out. */
  const set = <K extends keyof MakingStep>(key: K, value: MakingStep[K] | null | undefined) =>
    change(of => {
      const it = of.steps[at.value]!
      const isNothing =
        value === undefined || value === null || value === '' || (Array.isArray(value) && value.length === 0)
      if (isNothing) delete it[key]
      else it[key] = value as MakingStep[K]
    })
  /** What other steps call it by goes with its name. */
  const rename = (name: string) =>
    change(of => {
      const old = of.steps[at.value]!.id
      of.steps[at.value]!.id = name
      for (const each of of.steps) {
        if (each.redo) each.redo = each.redo.map(id => (id === old ? name : id))
        if (each.measure?.mark === old) each.measure.mark = name
      }
    })
  function add() {
    const names = new Set(procedure.value.steps.map(each => each.id))
    let n = 1
    while (names.has(`step-${n}`)) n++
    change(of => of.steps.splice(at.value + 1, 0, { id: `step-${n}`, do: 'look-over', of: ['metal'] }))
    at.value = Math.min(at.value + 1, procedure.value.steps.length - 1)
  }
  const remove = () => change(of => of.steps.splice(at.value, 1))
  function move(by: number) {
    const to = at.value + by
    if (to < 0 || to >= procedure.value.steps.length) return
    change(of => of.steps.splice(to, 0, ...of.steps.splice(at.value, 1)))
    at.value = to
  }

  return {
    ...{ procedure, at, step, end, trial, problems, message, trying, past, future },
    ...{ attempt, change, undo, redo, set, rename, add, remove, move },
  }
}
