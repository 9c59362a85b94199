export const HEADLESS: string
export const findChromium: () => string | null
export const executablePath: string
