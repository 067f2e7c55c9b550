import file from '../../../../../docs/schema/installation.schema.json'

/** What a file may hold, as its own schema says it: forms are drawn from that, so none of them can lag behind. */
export interface Schema {
  type?: string
  $ref?: string
  enum?: string[]
  properties?: Record<string, Schema>
  required?: string[]
  items?: Schema
  additionalProperties?: boolean | Schema
  minItems?: number
  maxItems?: number
}
const DEFS = file.$defs as unknown as Record<string, Schema>

export const resolved = (schema: Schema): Schema =>
  schema.$ref ? resolved(DEFS[schema.$ref.replace('#/$defs/', '')] ?? {}) : schema
export const ofKind = (kind: string): Schema => DEFS[kind] ?? {}

export type Shape =
  'choice' | 'flag' | 'number' | 'text' | 'choices' | 'texts' | 'pair' | 'pairs' | 'rows' | 'group' | 'map'

/** How a field is asked for. */
export function shape(schema: Schema): Shape {
  const of = resolved(schema)
  if (of.enum) return 'choice'
  if (of.type === 'boolean') return 'flag'
  if (of.type === 'number' || of.type === 'integer') return 'number'
  if (of.type === 'object') return of.properties ? 'group' : 'map'
  if (of.type !== 'array') return 'text'
  const items = resolved(of.items ?? {})
  if (of.minItems === 2 && of.maxItems === 2) return 'pair'
  if (items.enum) return 'choices'
  if (items.type === 'array') return 'pairs'
  return items.type === 'object' ? 'rows' : 'texts'
}

/** What stands in a field before anything is typed. */
export function blank(schema: Schema): unknown {
  const of = resolved(schema)
  if (of.type === 'object') {
    const needed = (of.required ?? []).map(key => [key, blank(of.properties?.[key] ?? {})] as const)
    return Object.fromEntries(needed.filter(([, value]) => value !== undefined))
  }
  if (of.type === 'array') {
    const one = resolved(of.items ?? {}).type === 'number' ? 0 : ''
    return of.minItems === 2 ? [one, one] : []
  }
  return of.enum?.[0] ?? (of.type === 'string' ? '' : undefined)
}

/** A number as it was typed; what is none stays as it is, for the check to name. */
export function typed(text: string): unknown {
  const clean = text.trim().replace(',', '.')
  return clean === '' ? undefined : Number.isFinite(Number(clean)) ? Number(clean) : text
}
/** Without what nobody said. */
export const saying = (of: Record<string, unknown>, key: string, value: unknown) =>
  Object.fromEntries(
    Object.entries({ ...of, [key]: value }).filter(
      ([, each]) => each !== undefined && each !== '' && !(Array.isArray(each) && each.length === 0),
    ),
  )
