import { useDebounceFn } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { api, ApiError } from '../../api/client'
import type { Answer } from '../../api/answers'
import type { Consequences, TypeDetail } from '../../api/types'
import { useLatest } from '../../ui/latest'

type Drawn = Answer<'types/x/draw', 'post'>
export type Definition = Record<string, unknown>
interface Problem {
  path: string
  value: string
  words: string
}

const slug = (name: string) =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')

/** A type while it is written: drawn and judged after each pause, checked against its use, then saved. */
export function useType(detail: TypeDetail, copy: boolean) {
  const draft = ref<Definition>(JSON.parse(JSON.stringify(detail.definition)) as Definition)
  if (copy) draft.value.name = `${detail.name}, own`
  const id = computed(() => (copy ? slug(String(draft.value.name ?? '')) : detail.id))
  const definition = () => ({ ...draft.value, id: id.value })

  const problems = ref<Problem[]>([])
  const message = ref('')
  const stale = ref(false)
  const busy = ref(false)
  const drawn = ref<Drawn | null>(null)
  const preview = ref<Consequences | null>(null)

  function refused(error: unknown) {
    if (!(error instanceof ApiError)) throw error
    // Where in the definition; the list that it was judged in is nobody's concern.
    problems.value = ((error.body.problems ?? []) as Problem[]).map(each => ({
      ...each,
      path: each.path.replace(/^\w+\[0\]\.?/, ''),
    }))
    stale.value = error.status === 409
    message.value = problems.value.length ? '' : (Object.values(error.fields).flat()[0] ?? error.message)
  }
  const { latest, forget } = useLatest()
  async function draw() {
    forget()
    message.value = ''
    try {
      await latest(api.post(`types/${detail.kind}/draw`, { definition: definition() }), answer => {
        drawn.value = answer
        problems.value = []
      })
    } catch (error) {
      refused(error)
    }
  }
  const drawSoon = useDebounceFn(draw, 400)
  onMounted(draw)
  watch(draft, () => {
    preview.value = null
    void drawSoon()
  })

  async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    message.value = ''
    problems.value = []
    try {
      return await work()
    } catch (error) {
      refused(error)
      return undefined
    } finally {
      busy.value = false
    }
  }
  const look = () =>
    attempt(async () => {
      preview.value = await api.post(`types/${detail.kind}/preview`, { definition: definition() })
    })
  /** @returns the id that it has, once it is saved */
  const save = () =>
    attempt(async () => {
      const version = !copy && detail.version != null ? { version: detail.version } : {}
      return (await api.put(`types/${detail.kind}`, { definition: definition(), ...version })).id
    })
  /** A definition that somebody brings along, instead of this one. */
  function take(text: string): boolean {
    try {
      draft.value = JSON.parse(text) as Definition
      return true
    } catch (error) {
      message.value = `This is no definition: ${error instanceof Error ? error.message : ''}. Nothing was taken.`
      return false
    }
  }

  return { draft, id, definition, problems, message, stale, busy, drawn, preview, look, save, take }
}
