/** An id nobody has used: what it names is told by its first letter. */
export const newId = (letter: string): string => `${letter}-${crypto.randomUUID().slice(0, 8)}`
