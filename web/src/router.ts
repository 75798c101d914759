import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'

const gallery: RouteRecordRaw[] = import.meta.env.DEV
  ? [{ path: '/gallery', component: () => import('./gallery/GalleryPage.vue'), meta: { open: true } }]
  : []

/** The places of the dock. A place's name is its key in the words. */
export const places = ['shift', 'run', 'bench', 'log', 'house'] as const
export type PlaceName = (typeof places)[number]

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/shift' },
    { path: '/sign-in', component: () => import('./people/SignIn.vue'), meta: { open: true } },
    { path: '/shift', component: () => import('./duty/ShiftPlace.vue'), meta: { place: 'shift' } },
    { path: '/run', component: () => import('./procedure/RunChooser.vue'), meta: { place: 'run' } },
    {
      path: '/run/:run',
      component: () => import('./procedure/RunPlace.vue'),
      props: true,
      meta: { place: 'run', dock: false },
    },
    {
      path: '/bench/:act(mix|correct|check|baths)?',
      component: () => import('./solution/BenchPlace.vue'),
      props: true,
      meta: { place: 'bench' },
    },
    { path: '/log', component: () => import('./record/LogPlace.vue'), meta: { place: 'log' } },
    {
      path: '/house/:part?',
      component: () => import('./house/HousePlace.vue'),
      props: true,
      meta: { place: 'house' },
    },
    ...gallery,
    { path: '/:anything(.*)*', redirect: '/shift' },
  ],
})
