// TypeScript to modules for the unit tests, with the language's own names held by every module.
import swc from '@swc/jest'

/*
 * Tests run in a context of their own, where each use of a global name is a call out of compiled code: what computes
 * with `Math` in its inner loop takes several times as long as in the application. Held as a constant of the module it
 * costs nothing. Only what no test replaces: clocks and timers stay as they are.
 */
const HELD = [
  'Math Number String Object Array Map Set WeakMap WeakSet Symbol JSON Infinity NaN Error Boolean RegExp Promise',
  'Float64Array Int32Array Uint8Array parseFloat parseInt structuredClone',
]
const head = HELD.join(' ')
  .split(' ')
  .map((name) => `const ${name} = globalThis.${name};`)
  .join('')

export default {
  createTransformer(options) {
    const own = swc.createTransformer(options)
    // On the first line, so that lines stay where they are.
    const held = (result) => ({ ...result, code: head + result.code })
    return {
      ...own,
      process: (...given) => held(own.process(...given)),
      processAsync: async (...given) => held(await own.processAsync(...given)),
      getCacheKey: (...given) => `${own.getCacheKey(...given)} ${head}`,
    }
  },
}
