import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants } from 'node:zlib'

/** Only what carries its own hash: what keeps its name may be changed under the server. */
const TEXT = /^assets\/.*\.(css|js|json|svg|wasm)$/
/** The best takes twenty times as long and saves a tenth more. */
const QUALITY = 5
/** What is smaller goes out in one packet either way, bytes. */
const LEAST = 1024

/** Puts a compressed file beside each file of the build, so that the server need not do it at every visit. */
export function compressed() {
  return {
    name: 'compressed',
    apply: 'build',
    writeBundle({ dir }, bundle) {
      for (const name of Object.keys(bundle).filter((f) => TEXT.test(f))) {
        const whole = readFileSync(join(dir, name))
        if (whole.length < LEAST) continue
        const params = { [constants.BROTLI_PARAM_QUALITY]: QUALITY, [constants.BROTLI_PARAM_SIZE_HINT]: whole.length }
        writeFileSync(join(dir, `${name}.br`), brotliCompressSync(whole, { params }))
      }
    },
  }
}
