import { createRouter, createWebHistory } from 'vue-router'
import { STATIONS } from './stations.ts'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'loft', component: () => import('./stations/loft/LoftView.vue'), meta: { title: 'Projects' } },
    {
      path: '/p/:project',
      component: () => import('./ProjectFrame.vue'),
      children: [
        { path: '', redirect: (to) => ({ name: 'sort', params: to.params }) },
        ...STATIONS.map((s) => ({ path: s.id, name: s.id, component: s.view, meta: { title: s.name } })),
      ],
    },
    { path: '/:rest(.*)', redirect: '/' },
  ],
})
router.afterEach((to) => {
  document.title = to.meta.title ? `${String(to.meta.title)} · Tack Loft` : 'Tack Loft'
})
