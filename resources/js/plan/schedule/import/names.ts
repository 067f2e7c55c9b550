/** What the fields of a run are called where a spreadsheet's columns are explained. */
const NAMES: Record<string, string> = {
  from: 'place it begins at',
  to: 'place it ends at',
  build: 'where it is made',
  plans_a: 'connector A',
  plans_b: 'connector B',
  bare_a: 'how end A is left',
  bare_b: 'how end B is left',
  joined: 'what else it shares',
  length: 'length',
}
export const fieldName = (field: string) =>
  NAMES[field] ?? field.replace(/_([ab])$/, ' $1').replace(/ [ab]$/, s => s.toUpperCase())

const KINDS: Record<string, string> = {
  cable: 'Cables',
  signal: 'Signals',
  place: 'Places',
  plan: 'Connectors',
  way: 'Ways',
  loom: 'Looms',
  build: 'Where it is made',
  device: 'Devices',
}
export const kindName = (kind: string) => KINDS[kind] ?? kind
