/** An id out of a name: what people call it, in letters and digits. */
export const slug = (name: string) => name.toLowerCase().normalize('NFD').replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '')
