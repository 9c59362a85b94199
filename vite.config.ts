import vue from '@vitejs/plugin-vue'
import { BootstrapVueNextResolver } from 'bootstrap-vue-next/resolvers'
import Icons from 'unplugin-icons/vite'
import Components from 'unplugin-vue-components/vite'
import { defineConfig } from 'vite'
import { offline } from './scripts/offline.mjs'

export default defineConfig({
  plugins: [
    vue(),
    Components({ dirs: [], dts: '.cache/components.d.ts', resolvers: [BootstrapVueNextResolver()] }),
    Icons({ compiler: 'vue3' }),
    offline(),
  ],
  publicDir: 'app/public',
  worker: { format: 'es', rolldownOptions: { external: ['node:module'] } },
  build: { target: 'es2022', manifest: true, modulePreload: { polyfill: false }, chunkSizeWarningLimit: 700 },
  server: { host: '127.0.0.1' },
})
