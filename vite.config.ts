import vue from '@vitejs/plugin-vue'
import { BootstrapVueNextResolver } from 'bootstrap-vue-next/resolvers'
import Icons from 'unplugin-icons/vite'
import Components from 'unplugin-vue-components/vite'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'
import { compressed } from './scripts/compressed.mjs'
import { offline } from './scripts/offline.mjs'

/** Workbooks are packed by ours (app/persistence/zip-at-once.ts). */
const packedAtOnce = {
  name: 'packed-at-once',
  enforce: 'pre' as const,
  resolveId: (source: string, importer?: string) =>
    source === 'fflate' && importer?.includes('write-excel-file')
      ? fileURLToPath(new URL('app/persistence/zip-at-once.ts', import.meta.url))
      : null,
}

export default defineConfig({
  plugins: [
    vue(),
    Components({ dirs: [], dts: '.cache/components.d.ts', resolvers: [BootstrapVueNextResolver()] }),
    Icons({ compiler: 'vue3' }),
    offline(),
    packedAtOnce,
    compressed(),
  ],
  publicDir: 'app/public',
  worker: { format: 'es', rolldownOptions: { external: ['node:module'] } },
  build: { target: 'es2022', manifest: true, modulePreload: { polyfill: false }, chunkSizeWarningLimit: 700 },
  server: { host: '127.0.0.1' },
})
