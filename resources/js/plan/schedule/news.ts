/** Rows with those that are others since, where each of them stands; new ones come last, as they do on the server. */
export function withNews<R extends { id: string }>(rows: R[], news: R[], gone: string[]): R[] {
  const since = new Map(news.map(each => [each.id, each]))
  const without = new Set(gone)
  const known = rows.filter(each => !without.has(each.id)).map(each => since.get(each.id) ?? each)
  const ids = new Set(rows.map(each => each.id))
  return [...known, ...news.filter(each => !ids.has(each.id))]
}
