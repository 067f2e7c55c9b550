import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import type { Reading, Sample, Stage, TestSheet, Value } from '../../api/test'
import { kept } from '../../api/page'
import { keyOf } from './provisional'

interface Draft {
  id: string
  fingerprint: string
  /** What it is read on: the piece and the ends as they were when it began. */
  on?: string[]
  lights: Record<string, string[]>
  splits: string[] | null
  samples: Sample[]
  declared: string[]
  note: string
  used: string[]
}

const blank = (fingerprint = '', on?: string[]): Draft => ({
  id: crypto.randomUUID(),
  fingerprint,
  on,
  lights: {},
  splits: null,
  samples: [],
  declared: [],
  note: '',
  used: [],
})

/** The wiring that a reading is of, by what this version and an earlier one call it. */
type Wiring = Pick<TestSheet, 'fingerprint' | 'formerly' | 'basis'>
const isOf = (draft: Draft, sheet: Wiring) =>
  draft.fingerprint === sheet.fingerprint || draft.fingerprint === sheet.formerly

/**
 * A reading that an earlier version began, which did not say of which installation: it is this one's where it is of
 * this very wiring.
 */
function before(name: string, sheet: Wiring): Draft | null {
  try {
    const found = JSON.parse(localStorage.getItem(name) ?? 'null') as Draft | null
    if (!found || !isOf(found, sheet)) return null
    localStorage.removeItem(name)
    return { ...found, fingerprint: sheet.fingerprint }
  } catch {
    return null
  }
}

/**
 * What was read so far, kept on this device until it is recorded: closing the tab loses nothing. The id makes a repeat
 * the same record.
 */
export function useDraft(id: () => string, stage: () => Stage) {
  const draft = useLocalStorage<Draft>(() => kept(`test.${id()}.${stage()}`), blank(), { mergeDefaults: true })

  const samples = computed(() => new Map(draft.value.samples.map(sample => [keyOf(sample), sample])))
  const reading = computed<Reading>(() => ({
    lights: draft.value.lights,
    ...(draft.value.splits ? { splits: draft.value.splits } : {}),
    ...(draft.value.samples.length ? { samples: draft.value.samples } : {}),
    ...(draft.value.declared.length ? { declared: draft.value.declared } : {}),
  }))
  const isEmpty = computed(
    () =>
      Object.keys(draft.value.lights).length === 0 && draft.value.splits === null && draft.value.samples.length === 0,
  )

  function light(node: string, lights: string[], declared = false) {
    draft.value.lights = { ...draft.value.lights, [node]: lights }
    draft.value.declared = [...draft.value.declared.filter(each => each !== node), ...(declared ? [node] : [])]
  }
  function answer(method: Sample['method'], at: string, state: string, value: Value | null, declared = false) {
    const key = keyOf({ method, at, state })
    const rest = draft.value.samples.filter(sample => keyOf(sample) !== key)
    draft.value.samples =
      value === null
        ? rest
        : [...rest, { method, at, ...(state ? { state } : {}), value, ...(declared ? { declared } : {}) }]
  }
  /** What an instrument read, over what was there. */
  function take(read: Reading, instrument: string) {
    if (instrument && !draft.value.used.includes(instrument)) draft.value.used = [...draft.value.used, instrument]
    for (const [node, lights] of Object.entries(read.lights)) light(node, lights)
    if (read.splits) draft.value.splits = read.splits
    const keys = new Set((read.samples ?? []).map(keyOf))
    draft.value.samples = [...draft.value.samples.filter(sample => !keys.has(keyOf(sample))), ...(read.samples ?? [])]
  }
  /** Goes on with what was read of this wiring; of another one, or where all is to be read anew, it begins. */
  const follow = (sheet: Wiring, anew = false) => {
    const begun = !isEmpty.value
    if (!anew && isOf(draft.value, sheet))
      draft.value = { ...draft.value, fingerprint: sheet.fingerprint, on: begun ? draft.value.on : sheet.basis }
    else draft.value = before(`sartal.test.${id()}.${stage()}`, sheet) ?? blank(sheet.fingerprint, sheet.basis)
  }

  return { draft, samples, reading, isEmpty, light, answer, take, follow }
}
