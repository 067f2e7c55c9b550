import type { Answer } from '../../api/answers'
import type { Rules } from '../../api/types'

/** What another answer than the house's may be given for: a family of cables, or a loom. */
export type Group = Answer<'rules', 'get'>['groups'][number]
type Entry = Record<string, string>

const entries = (rules: Rules): Entry[] => (rules.departures as Entry[] | undefined) ?? []
const without = <T extends object>(of: T, key: string) =>
  Object.fromEntries(Object.entries(of).filter(([each]) => each !== key)) as T
const isOf = (entry: Entry, group: Pick<Group, 'of' | 'id'>) => entry[group.of] === group.id

/** Who answers a question otherwise, and how; a loom that is gone is named by its id. */
export const departing = (rules: Rules, key: string, groups: Group[]) =>
  entries(rules)
    .filter(entry => entry[key] !== undefined)
    .map(entry => {
      const of: Group['of'] = entry.loom === undefined ? 'family' : 'loom'
      const id = entry[of] ?? ''
      const known = groups.find(each => each.of === of && each.id === id)
      return { of, id, name: known?.name ?? `${of} ${id}, which is gone`, answer: entry[key] ?? '' }
    })

/** The rules with one group's answer to a question; null: as the house has it. */
export function answered(rules: Rules, key: string, group: Pick<Group, 'of' | 'id'>, answer: string | null): Rules {
  const others = entries(rules).filter(entry => !isOf(entry, group))
  const rest = without(entries(rules).find(entry => isOf(entry, group)) ?? { [group.of]: group.id }, key)
  const mine = answer === null ? rest : { ...rest, [key]: answer }
  const departures = [...others, ...(Object.keys(mine).length > 1 ? [mine] : [])]
  const house = without(rules, 'departures')
  return departures.length === 0 ? house : { ...house, departures }
}
