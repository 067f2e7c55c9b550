/** How many of something, with its word: "1 reel", "3 reels". */
export const many = (count: number, one: string, all = `${one}s`): string => `${count} ${count === 1 ? one : all}`

/** As it stands within a sentence. */
export const small = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1)
