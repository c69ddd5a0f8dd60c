import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'episodes', component: () => import('./episodes/EpisodesView.vue') },
    { path: '/library', name: 'library', component: () => import('./library/LibraryView.vue') },
    { path: '/topics', name: 'topics', component: () => import('./topics/TopicsView.vue') },
    {
      path: '/episode/:id',
      component: () => import('./episode/EpisodeShell.vue'),
      props: true,
      children: [
        { path: '', redirect: (to) => ({ name: 'script', params: to.params }) },
        { path: 'script', name: 'script', component: () => import('./script/ScriptView.vue') },
        { path: 'sheet', name: 'sheet', component: () => import('./sheet/SheetView.vue') },
        { path: 'picks', name: 'picks', component: () => import('./picks/PickRunView.vue') },
        {
          path: 'contact',
          name: 'contact',
          component: () => import('./contact/ContactSheetView.vue'),
        },
        { path: 'sound', name: 'sound', component: () => import('./sound/SoundView.vue') },
        { path: 'record', name: 'record', component: () => import('./record/RecordView.vue') },
        { path: 'render', name: 'render', component: () => import('./render/RenderView.vue') },
      ],
    },
    { path: '/:rest(.*)', redirect: '/' },
  ],
})
