import { readFileSync, readdirSync } from 'node:fs'

const PUBLIC = new URL('../app/public/', import.meta.url)

/**
 * Writes the service worker with the list of everything the build made, so that the application opens without a
 * network.
 */
export function offline() {
  return {
    name: 'offline',
    apply: 'build',
    generateBundle(_options, bundle) {
      const files = Object.keys(bundle)
        .filter((f) => !f.endsWith('.map') && f !== '.vite/manifest.json')
        .sort()
      // What lies beside the build as it is: icons and the manifest. Their content counts, for their names stay.
      const still = readdirSync(PUBLIC).sort()
      const source = readFileSync(new URL('./service-worker.js', import.meta.url), 'utf8')
      // The name of the cache changes with the names of the files, which carry their own hashes.
      let hash = 0
      const page = String(bundle['index.html']?.source ?? '')
      const contents = [source, page, ...still.map((f) => readFileSync(new URL(f, PUBLIC), 'latin1'))]
      for (const c of [...files, ...contents].join('|')) hash = (Math.imul(hash, 31) + c.charCodeAt(0)) | 0
      this.emitFile({
        type: 'asset',
        fileName: 'service-worker.js',
        source: source
          .replace('__NAME__', `loft-${(hash >>> 0).toString(36)}`)
          .replace(
            '__FILES__',
            JSON.stringify(['/', ...[...files, ...still].filter((f) => f !== 'index.html').map((f) => `/${f}`)]),
          ),
      })
    },
  }
}
