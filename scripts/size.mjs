// Script of the first screen, gzipped: the entry, the list of projects, and all they load at once.
import { readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'

const LIMIT_KB = 200
const manifest = JSON.parse(readFileSync('dist/.vite/manifest.json', 'utf8'))
const seen = new Set()
const walk = (key) => {
  if (seen.has(key)) return
  seen.add(key)
  for (const i of manifest[key].imports ?? []) walk(i)
}
walk('index.html')
walk('app/stations/loft/LoftView.vue')
const bytes = [...seen]
  .map((k) => manifest[k].file)
  .filter((f) => f.endsWith('.js'))
  .reduce((n, f) => n + gzipSync(readFileSync(`dist/${f}`)).length, 0)
const kb = Math.round(bytes / 100) / 10
process.stdout.write(`First screen: ${kb} kB of script, gzipped (limit ${LIMIT_KB})\n`)
if (kb > LIMIT_KB) process.exit(1)
