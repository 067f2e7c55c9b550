import { shallowRef } from 'vue'
import { signInAgain } from './again'
import type { Answer } from './answers'
import { ask, looked } from './ask'
import type { Impact } from './change'
import { heldOf, hold } from './held'
import { address, belongsTo, endpoint, person } from './page'
import { compare, type TwoVersions } from './stale'

/** A refused request: what the server said, and the body that goes with it. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly body: Record<string, unknown>,
  ) {
    super(message)
  }

  /** Messages by field, in Laravel's validation shape. */
  get fields(): Record<string, string[]> {
    return (this.body.errors ?? {}) as Record<string, string[]>
  }
}

/** What went wrong, in words: of a field before all else. */
export function saying(error: unknown): string {
  return error instanceof ApiError ? (Object.values(error.fields).flat()[0] ?? error.message) : String(error)
}

function cookie(name: string): string {
  const found = document.cookie.split('; ').find(pair => pair.startsWith(`${name}=`))
  return found ? decodeURIComponent(found.slice(name.length + 1)) : ''
}

/** How often this page has written something: whoever follows from that looks again at once. */
export const wrote = shallowRef(0)

/** Whether an edit that overtakes work is asked about, made all the same, or put aside. */
type Intent = 'ask' | 'weigh' | 'accept' | 'park'
const OVERTAKES = 428
const UNCHANGED = 304
const STALE = 409
const NOBODY = 401
const FORGOTTEN = 419
/** Who comes in at the door is nobody yet; what a test comes to is asked by itself, and recorded without a session. */
const APART = /^session|^last$|^runs\/[^/]+\/test$/

function parsed(text: string): Record<string, unknown> {
  try {
    return JSON.parse(text) as Record<string, unknown>
  } catch {
    return {}
  }
}

/** Of a write that came too late, where it can be made again on what stands now. */
function twoVersions(answer: Record<string, unknown>, body: unknown): TwoVersions | null {
  const { message, yours, theirs, version } = answer
  const isShape = (value: unknown): value is Record<string, unknown> =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
  return typeof message === 'string' &&
    isShape(yours) &&
    isShape(theirs) &&
    typeof version === 'number' &&
    isShape(body) &&
    !(body instanceof FormData) &&
    // The schedule lays a run's two lines side by side itself.
    !('line' in theirs)
    ? { message, yours, theirs }
    : null
}

/** Whether whoever wrote it is signed in with a token that holds, by now: where nobody is, they are asked. */
async function isBack(status: number): Promise<boolean> {
  if (status === FORGOTTEN) {
    const now = await send<{ person: { id: string } | null }>('GET', 'session').catch(() => null)
    if (now?.person?.id === person.value) return true
  }
  return signInAgain()
}

async function send<T>(
  method: string,
  path: string,
  body?: unknown,
  intent: Intent = 'ask',
  of = address,
  who?: string,
  isAgain = false,
): Promise<T> {
  const form = body instanceof FormData
  const from = endpoint(path, of)
  // What one person was told is no other's to be told again.
  const known = `${who ?? person.value} ${from}`
  const before = method === 'GET' ? heldOf(known) : undefined
  let response: Response
  try {
    response = await fetch(from, {
      method,
      headers: {
        Accept: 'application/json',
        'X-XSRF-TOKEN': cookie('XSRF-TOKEN'),
        ...belongsTo(of, who),
        ...(before ? { 'If-None-Match': before.tag } : {}),
        // What this device's clock shows: the server keeps how far it is out.
        ...(method === 'GET' ? {} : { 'Sartal-Intent': intent, 'Sartal-Clock': new Date().toISOString() }),
        ...(body === undefined || form ? {} : { 'Content-Type': 'application/json' }),
      },
      body: body === undefined ? undefined : form ? body : JSON.stringify(body),
    })
  } catch {
    throw new ApiError(0, 'Sartal cannot be reached. What you entered is still here; try again.', {})
  }
  if (response.status === UNCHANGED && before) return JSON.parse(before.text) as T
  const text = await response.text().catch(() => '')
  if (method === 'GET' && response.ok) hold(known, response.headers.get('ETag'), text)
  const answer = parsed(text)
  if (response.status === OVERTAKES) {
    const choice = await ask(answer.impact as Impact)
    if (choice === 'drop') throw new ApiError(OVERTAKES, 'Nothing was changed.', {})
    return send<T>(method, path, body, choice, of, who).finally(looked)
  }
  const both = response.status === STALE ? twoVersions(answer, body) : null
  if (both && (await compare(both)) === 'mine')
    return send<T>(method, path, { ...(body as object), version: answer.version }, intent, of, who)
  const isOver = [NOBODY, FORGOTTEN].includes(response.status) || answer.somebodyElse !== undefined
  const isWaitedFor = method !== 'GET' && person.value !== '' && who === undefined && !APART.test(path)
  if (isOver && isWaitedFor && !isAgain && (await isBack(response.status)))
    return send<T>(method, path, body, intent, of, who, true)
  if (!response.ok) {
    const said =
      typeof answer.message === 'string' && answer.message !== ''
        ? answer.message
        : `The server answered ${response.status}.`
    const isSignedOut = response.status === FORGOTTEN || said === 'Unauthenticated.'
    throw new ApiError(
      response.status,
      isSignedOut ? 'You are signed out. What you entered is still here: sign in, and save it again.' : said,
      answer,
    )
  }
  if (method !== 'GET') wrote.value++
  return answer as T
}

/** What an address answers is what the contract says of it: nobody says so a second time. */
export const api = {
  get: <const P extends string>(path: P) => send<Answer<P, 'get'>>('GET', path),
  post: <const P extends string>(path: P, body: unknown = {}) => send<Answer<P, 'post'>>('POST', path, body),
  /** Something that somebody recorded for this installation, whichever the page is of, and whosever it is. */
  record: (path: string, body: unknown, of: string, who: string) => send<unknown>('POST', path, body, 'ask', of, who),
  patch: <const P extends string>(path: P, body: unknown) => send<Answer<P, 'patch'>>('PATCH', path, body),
  put: <const P extends string>(path: P, body: unknown) => send<Answer<P, 'put'>>('PUT', path, body),
  /** Somebody has seen what it overtakes. */
  made: <const P extends string>(path: P, body: unknown = {}) => send<Answer<P, 'post'>>('POST', path, body, 'accept'),
  delete: <const P extends string>(path: P, body: unknown = {}) => send<Answer<P, 'delete'>>('DELETE', path, body),
  /** Of an installation that may be another one than the page's. */
  removeAt: (of: string, path: string) => send<unknown>('DELETE', path, {}, 'ask', of),
}
