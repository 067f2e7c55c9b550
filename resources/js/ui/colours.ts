/** How a conductor's colour is drawn. The name always stands beside it. */
const HEX: Record<string, string> = {
  brown: '#7a4a28',
  red: '#b8302a',
  orange: '#d9772b',
  yellow: '#d9b12e',
  green: '#3d8b4f',
  blue: '#2f62a8',
  violet: '#7b4f9e',
  grey: '#8a8f8e',
  white: '#ffffff',
  black: '#23282a',
  bare: '#c98a55',
  clear: '#f3efe6',
  pink: '#e3a0b0',
  turquoise: '#3aa6a0',
}
const CODE: Record<string, string> = {
  brown: 'BN',
  red: 'RD',
  orange: 'OG',
  yellow: 'YE',
  green: 'GN',
  blue: 'BU',
  violet: 'VT',
  grey: 'GY',
  white: 'WH',
  black: 'BK',
  bare: 'bare',
  clear: 'CL',
  pink: 'PK',
  turquoise: 'TQ',
}

export const hex = (name: string) => HEX[name.trim()] ?? '#cccccc'

/** A block's colour by its number, as digits are coloured: IEC 60062. */
export const blockColour = (number: number) =>
  ['black', 'brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white'][number % 10]!

/** Letter codes of IEC 60757: "WH/BU". */
export const code = (colour: string) =>
  colour
    .split('/')
    .map(part => CODE[part.trim()] ?? part)
    .join('/')
