/** A contact of a connector, as a file has it. */
export interface Cavity {
  address: string
  face: [number, number]
  wiring: [number, number]
  [field: string]: unknown
}
export interface Grid {
  columns: number
  rows: number
  /** mm between columns, and between rows */
  across: number
  down: number
  /** How contacts are called, seen on the mating face from the upper left. */
  naming: 'by row' | 'by column' | 'letter by column' | 'letter by row'
  first: string
}

const round = (mm: number) => Math.round(mm * 100) / 100
const letter = (first: string, n: number) => String.fromCharCode((first.charCodeAt(0) || 65) + n)

/** Contacts on a grid about the middle; the wiring side is the mating face seen from behind. */
export function onGrid(of: Grid): Cavity[] {
  const cavities: Cavity[] = []
  const start = Number(of.first) || 1
  for (let row = 0; row < of.rows; row++)
    for (let column = 0; column < of.columns; column++) {
      const x = round((column - (of.columns - 1) / 2) * of.across)
      const y = round(((of.rows - 1) / 2 - row) * of.down)
      const address = {
        'by row': String(start + row * of.columns + column),
        'by column': String(start + column * of.rows + row),
        'letter by column': `${letter(of.first, column)}${row + 1}`,
        'letter by row': `${letter(of.first, row)}${column + 1}`,
      }[of.naming]
      // Minus zero is no place.
      cavities.push({ address, face: [x || 0, y || 0], wiring: [-x || 0, y || 0] })
    }
  return cavities
}

/** A pasted table: contact, x, y, and x and y on the wiring side where they are not the mirror image. */
export function pasted(text: string): { cavities: Cavity[]; wrong: string[] } {
  const cavities: Cavity[] = []
  const wrong: string[] = []
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    if (line.trim() === '') continue
    // Where cells are apart by tabs or semicolons, a comma is a decimal one.
    const cells = /[\t;]/.test(line) ? line.split(/[\t;]/) : line.trim().split(/\s*,\s*|\s+/)
    const [address = '', ...places] = cells.map(each => each.trim())
    const numbers = places.filter(each => each !== '').map(each => Number(each.replace(',', '.')))
    const [x, y, wx, wy] = numbers
    if (address === '' || x === undefined || y === undefined || numbers.some(each => !Number.isFinite(each))) {
      // A first line of words is what the columns are called.
      if (i > 0 || numbers.some(Number.isFinite)) wrong.push(`Line ${i + 1}: "${line.trim()}"`)
      continue
    }
    cavities.push({ address, face: [x, y], wiring: [wx ?? (-x || 0), wy ?? y] })
  }
  return { cavities, wrong }
}
