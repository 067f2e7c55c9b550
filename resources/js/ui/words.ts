/** How many of something, with its word: "1 reel", "3 reels". */
export const many = (count: number, one: string, all = `${one}s`): string => `${count} ${count === 1 ? one : all}`
