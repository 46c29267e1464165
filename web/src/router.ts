import { createRouter, createWebHistory, START_LOCATION } from 'vue-router'
import { patiently } from './frame/fetching.ts'
import { fetchStep } from './frame/stepViews.ts'
import ShelfPage from './shelf/ShelfPage.vue'
import { askAhead } from './stores/api.ts'

const stepOf = (step: unknown): string => String(step || 'place')

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: ShelfPage },
    { path: '/parts', name: 'parts', component: patiently(() => import('./parts/PartsPage.vue')) },
    { path: '/guide', name: 'guide', component: patiently(() => import('./guide/GuidePage.vue')) },
    {
      path: '/design/:id/report',
      name: 'report',
      component: patiently(() => import('./report/ReportPage.vue')),
      props: true,
    },
    {
      path: '/design/:id/drawings',
      name: 'drawings',
      component: patiently(() => import('./report/DrawingSheets.vue')),
      props: true,
    },
    {
      path: '/design/:id/:step?',
      name: 'design',
      component: patiently(() => import('./frame/DesignFrame.vue')),
      props: (route) => ({ id: String(route.params.id), step: stepOf(route.params.step) }),
    },
    { path: '/:rest(.*)', redirect: '/' },
  ],
})

router.beforeEach(({ name, params }, from) => {
  if (name !== 'design') return
  fetchStep(stepOf(params.step))
  // later openings first let the design that is open send what it has
  if (from === START_LOCATION) askAhead(String(params.id))
})
