/** JSON Schema as the contract writes it, as far as a reader has to know of it. */
export interface Schema {
  type?: string | string[]
  description?: string
  required?: string[]
  properties?: Record<string, Schema>
  items?: Schema
  prefixItems?: Schema[]
  additionalProperties?: Schema | boolean
  anyOf?: Schema[]
  enum?: (string | null)[]
  const?: unknown
  default?: unknown
  pattern?: string
  $ref?: string
  'x-file'?: string
  [limit: string]: unknown
}

const nameOf = (reference: string) => reference.split('/').at(-1)!

/** A type in words. */
export function words(schema: Schema): string {
  if (schema.$ref) return nameOf(schema.$ref)
  if (schema.anyOf) return schema.anyOf.map(words).join(' or ')
  if (schema['x-file']) return `object, ${schema['x-file']} of a file`
  if (schema.const !== undefined) return JSON.stringify(schema.const)
  if (schema.enum) return schema.enum.map(each => (each === null ? 'null' : `"${each}"`)).join(' | ')
  if (schema.prefixItems) return schema.prefixItems.map(words).join(' and ')
  const types = Array.isArray(schema.type) ? schema.type : [schema.type ?? 'anything']
  const [type, ...more] = types
  const inner =
    type === 'array' && schema.items
      ? `list of ${words(schema.items)}`
      : type === 'object' && typeof schema.additionalProperties === 'object'
        ? `table of ${words(schema.additionalProperties)}`
        : type === 'object' && schema.properties
          ? `{ ${Object.entries(schema.properties)
              .map(([name, each]) => `${name}: ${words(each)}`)
              .join(', ')} }`
          : type!
  return [inner, ...more].join(' or ')
}

/** Parts of the contract that it names, each once. */
export function parts(schema: Schema): string[] {
  const within = [
    ...Object.values(schema.properties ?? {}),
    ...(schema.items ? [schema.items] : []),
    ...(schema.prefixItems ?? []),
    ...(schema.anyOf ?? []),
    ...(typeof schema.additionalProperties === 'object' ? [schema.additionalProperties] : []),
  ]
  return [...new Set([...(schema.$ref ? [nameOf(schema.$ref)] : []), ...within.flatMap(parts)])]
}

const LIMITS = [
  'minLength',
  'maxLength',
  'minimum',
  'maximum',
  'minItems',
  'maxItems',
  'minProperties',
  'maxProperties',
]
export const limits = (schema: Schema) =>
  LIMITS.filter(limit => typeof schema[limit] === 'number')
    .map(limit => `${limit} ${String(schema[limit])}`)
    .join(', ')
