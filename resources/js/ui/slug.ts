/** An id out of a name: its letters and digits; where there are none of ours, something that nobody else has. */
export function slug(name: string): string {
  const id = name
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  return id || `x-${crypto.randomUUID().slice(0, 8)}`
}
