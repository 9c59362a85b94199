// Which Chromium the tests and pictures use: the one that is named, the one without a window, or the whole one.
import { existsSync } from 'node:fs'

/** Debian's Chromium without a window takes three quarters of the time of the whole one. */
export const HEADLESS = '/usr/bin/chromium-headless-shell'
const WHOLE = '/usr/bin/chromium'

/** @returns {string | null} a path; null where none is installed */
export const findChromium = () => [process.env.CHROMIUM ?? '', HEADLESS, WHOLE].find((p) => p && existsSync(p)) ?? null
export const executablePath = findChromium() ?? WHOLE
