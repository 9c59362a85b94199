import { readFileSync } from 'node:fs'

/** Writes the service worker with the list of everything the build made, so that the application opens without a network. */
export function offline() {
  return {
    name: 'offline',
    apply: 'build',
    generateBundle(_options, bundle) {
      const files = Object.keys(bundle).filter((f) => !f.endsWith('.map') && f !== '.vite/manifest.json').sort()
      const source = readFileSync(new URL('./service-worker.js', import.meta.url), 'utf8')
      // The name of the cache changes with the names of the files, which carry their own hashes.
      let hash = 0
      for (const c of files.join('|')) hash = (Math.imul(hash, 31) + c.charCodeAt(0)) | 0
      this.emitFile({
        type: 'asset',
        fileName: 'service-worker.js',
        source: source.replace('__NAME__', `loft-${(hash >>> 0).toString(36)}`).replace('__FILES__', JSON.stringify(['/', ...files.filter((f) => f !== 'index.html').map((f) => `/${f}`)])),
      })
    },
  }
}
