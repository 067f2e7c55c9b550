import type { Answer } from '../api/answers'
import { api } from '../api/client'
import { page } from '../api/page'
import { useSession } from '../api/session'
import { guided } from './guided'
import { letters } from './letters'
import { NOTICES, PLACES } from './places'
import { theme, THEMES } from './theme'
import { DATES, dates, when } from './dates'

export type Found = Answer<'find', 'get'>['found'][number]
/** Something that find does rather than opens: it leads somewhere, or changes something at once. */
export interface Act extends Found {
  act?: () => void
}

const keys = <K extends string>(of: Record<K, string>) => Object.keys(of) as K[]

const act = (name: string, about: string, path: string, does?: () => void): Act => ({
  kind: path ? 'do' : 'set',
  name,
  about,
  path,
  act: does,
})

/** What can be done here by whoever is signed in. */
function all(): Act[] {
  if (!page.value) return []
  const session = useSession()
  const planned = [
    act('Add run', 'in the form', '/schedule?make=run'),
    act('Quick line', 'add runs in words', '/schedule?make=line'),
    act('Bring in a table', 'add or import runs from a spreadsheet', '/schedule?make=table'),
    act('Add a place', 'location, rack, box', '/rules/building?make=location'),
    act('Add a way', 'tray, conduit, duct', '/rules/building?make=way'),
    act('Pattern', 'add a split panel, a loom, patch leads', '/patterns'),
  ]
  const begin = act('Begin an installation', 'new, sample, file', '/installations')
  return [
    ...(session.plans ? planned : []),
    act('Print labels', 'sheets and rolls', '/labels'),
    act('Measure ways', 'walk list before anything is cut', '/rules/building/walk'),
    act('Overtaken work', 'choose remedies', '/handover/overtaken'),
    act('Log', 'what was done, by whom', '/crew/log'),
    act('Instruments', 'calibration due', '/test/instruments'),
    ...(session.looksAfter('installations') ? [begin] : []),
    ...[...PLACES, NOTICES].map(place => act(`Go to ${place.name}`, `g ${place.key}`, place.path)),
    ...keys(THEMES)
      .filter(key => key !== theme.value)
      .map(key => act(THEMES[key], '', '', () => (theme.value = key))),
    ...keys(DATES)
      .filter(key => key !== dates.value)
      .map(key => act(DATES[key], '', '', () => (dates.value = key))),
    act(guided.value ? 'Leave the guide' : 'Guide, step by step', 'help for the first time', '', () => {
      guided.value = !guided.value
    }),
    act(letters.value ? 'Turn single-letter keys off' : 'Turn single-letter keys on', 'for dictation', '', () => {
      letters.value = !letters.value
    }),
  ]
}

/** Every word begins a word of its name or of what is said about it. */
export function acts(text: string): Act[] {
  const wanted = text
    .toLowerCase()
    .split(/[\s-]+/)
    .filter(Boolean)
  if (wanted.length === 0) return []
  const begins = (each: Act, word: string) =>
    `${each.name} ${each.about}`
      .toLowerCase()
      .split(/[\s,-]+/)
      .some(own => own.startsWith(word))
  return all().filter(each => wanted.every(word => begins(each, word)))
}

/** Things that one verb is offered for. */
const LISTED = 4
const find = async (text: string, kind: string) =>
  (await api.get(`find?q=${encodeURIComponent(text)}`)).found.filter(each => each.kind === kind).slice(0, LISTED)
const idOf = (run: Found) => decodeURIComponent(run.path.split('/')[2] ?? '')

/** What was done last at the bench. */
async function lastAt(run: string) {
  const { state } = await api.get(`bench/${encodeURIComponent(run)}`)
  return Object.values(state.standings)
    .flatMap(({ by, at }) => (at ? [{ by, at }] : []))
    .sort((a, b) => b.at.localeCompare(a.at))[0]
}
async function who(text: string): Promise<Act[]> {
  const [runs, { people }] = await Promise.all([find(text, 'run'), api.get('present')])
  return Promise.all(
    runs.map(async run => {
      const id = idOf(run)
      const here = people.filter(each => each.assembly === id).map(each => each.name)
      const last = here.length ? undefined : await lastAt(id)
      const nobody = last ? `nobody now; last ${last.by ?? 'somebody'}, ${when(last.at)}` : 'nobody yet'
      const about = here.length ? `${here.join(', ')}, now` : nobody
      return { kind: 'people', name: run.name, about, path: `/bench/${encodeURIComponent(id)}` }
    }),
  )
}
async function labels(text: string): Promise<Act[]> {
  // As the rest of find: L0 is L-0 as well.
  const plain = (words: string) => words.toLowerCase().replace(/[\s-]/g, '')
  const begins = (name: string) => plain(name).startsWith(plain(text))
  return (await api.get('looms')).looms
    .filter(each => begins(each.id) || plain(each.name).includes(plain(text)))
    .sort((a, b) => Number(begins(b.id)) - Number(begins(a.id)))
    .slice(0, LISTED)
    .map(each => act(`Print labels of ${each.name}`, '', `/labels?loom=${encodeURIComponent(each.id)}`))
}
const to = (verb: string, path: (id: string) => string) => async (text: string) =>
  (await find(text, 'run')).map(run => act(`${verb} ${run.name}`, run.about, path(encodeURIComponent(idOf(run)))))

const edit = to('Edit', id => `/schedule?run=${id}&make=edit`)

/** A verb, and what it is done to. */
const VERBS: [RegExp, (text: string) => Promise<Act[]>][] = [
  [/^who(?:['’]s| is)?(?: on| at)?\s+(.+)$/i, who],
  [/^(?:print )?labels (?:of|for)\s+(.+)$/i, labels],
  [/^(?:make|bench)\s+(.+)$/i, to('Make', id => `/bench/${id}`)],
  [/^test\s+(.+)$/i, to('Test', id => `/test/${id}`)],
  [/^edit\s+(.+)$/i, async text => (useSession().plans ? edit(text) : [])],
]

/** What a verb with its object would do; nothing where no verb begins it. */
export async function done(text: string): Promise<Act[]> {
  for (const [verb, does] of VERBS) {
    const object = verb.exec(text.trim())?.[1]
    if (object) return does(object)
  }
  return []
}
