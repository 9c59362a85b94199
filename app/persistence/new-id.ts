/** An id nobody has used: what it names is told by its first letter. */
export const newId = (letter: string): string => `${letter}-${crypto.randomUUID().slice(0, 8)}`
/** The same of a project: by it all there ever are are told apart, in this browser and in files. */
export const newProjectId = (): string => `p-${crypto.randomUUID().slice(0, 13)}`
