import { createRouter, createWebHistory } from 'vue-router'
import ShelfPage from './shelf/ShelfPage.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: ShelfPage },
    {
      path: '/design/:id/:step?',
      name: 'design',
      component: () => import('./frame/DesignFrame.vue'),
      props: (route) => ({ id: String(route.params.id), step: String(route.params.step || 'place') }),
    },
    { path: '/:rest(.*)', redirect: '/' },
  ],
})
