import 'bootstrap/dist/css/bootstrap.min.css'
import 'bootstrap-vue-next/dist/bootstrap-vue-next.css'
import '@fontsource-variable/source-sans-3/index.css'
import '@fontsource-variable/bitter/index.css'
import './theme.css'
import { createBootstrap } from 'bootstrap-vue-next/plugins/createBootstrap'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { keepOffline } from './persistence/version.ts'
import { router } from './router.ts'

createApp(App).use(createPinia()).use(router).use(createBootstrap()).mount('#app')

if (import.meta.env.PROD) void keepOffline()
