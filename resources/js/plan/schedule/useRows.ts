import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { api } from '../../api/client'
import { keepLately, latelySince, MANY, type Lately } from '../../api/lately'
import type { Row } from '../../api/types'
import { withNews } from './news'

/** The schedule's rows, read once for all that show some of them, and since then as far as they are told anew. */
export const useRows = defineStore('rows', () => {
  const rows = shallowRef<Row[]>([])
  /** Where all of it was read, and what was told since. */
  let whole = ''
  let lately: Lately<Row> = { cursor: '', news: {} }
  let reading: Promise<void> = Promise.resolve()

  const told = (all: Row[], { news }: Lately<Row>) =>
    withNews(
      all,
      Object.values(news).filter(each => each !== null),
      Object.keys(news).filter(id => news[id] === null),
    )

  async function readAll() {
    const all = await api.get('schedule')
    whole = all.cursor
    lately = await latelySince<Row>('schedule', whole)
    rows.value = told(all.rows ?? [], lately)
  }
  async function read() {
    if (!lately.cursor || Object.keys(lately.news).length >= MANY) return readAll()
    const answer = await api.get(`schedule?since=${lately.cursor}`)
    if (answer.rows && !answer.isPart) {
      // Of more than a few, all of them are told: for the device that is nothing to begin from.
      ;[rows.value, whole, lately] = [answer.rows, answer.cursor, { cursor: answer.cursor, news: {} }]
      return
    }
    const news: Lately<Row>['news'] = Object.fromEntries((answer.rows ?? []).map(row => [row.id, row]))
    for (const id of answer.gone) news[id] = null
    lately = { cursor: answer.cursor, news: { ...lately.news, ...news } }
    if (Object.keys(news).length) {
      rows.value = told(rows.value, { cursor: answer.cursor, news })
      void keepLately('schedule', whole, lately)
    }
  }
  /** One after the other: whoever asks after something was recorded is told of it. */
  function load(): Promise<void> {
    const next = reading.catch(() => undefined).then(read)
    reading = next
    return next
  }
  return { rows, load }
})
