/** Things of which the same is to be said but for what they are called. */
export interface Alike<T> {
  /** As the first of them says it; of several without what it is called. */
  words: string
  of: T[]
}

const NAMELESS = '…'
/** R-1 is no part of R-10. */
const whole = (name: string) =>
  new RegExp(`(?<![\\p{L}\\p{N}-])${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}-])`, 'gu')

/**
 * What is said of many, once for all that it is said of, in the order in which it first came. A sentence of one stays
 * as it is; in one of several every name gives way to a dash of dots.
 */
export function alike<T>(all: T[], words: (each: T) => string, names: (each: T) => string[]): Alike<T>[] {
  const found = new Map<string, Alike<T>>()
  for (const each of all) {
    const nameless = names(each)
      .filter(Boolean)
      .sort((a, b) => b.length - a.length)
      .reduce((said, name) => said.replace(whole(name), NAMELESS), words(each))
    const group = found.get(nameless)
    if (group) {
      group.of.push(each)
      group.words = nameless
    } else found.set(nameless, { words: words(each), of: [each] })
  }
  return [...found.values()]
}
