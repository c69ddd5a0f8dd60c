import { ref } from 'vue'
import { createRouter, createWebHistory } from 'vue-router'
import { whenTrue } from './controls/when-true.ts'
import { toRoomWhenShown } from './keys/to-room.ts'

declare module 'vue-router' {
  interface RouteMeta {
    /** Of the room, for the browser's tab. */
    title?: string
  }
}

/** Where a person wanted to go when the room's code did not come. */
export const unreached = ref('')

/** So long a page may take to be as tall as it was. */
const TALL_MS = 2000

export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: async (_to, _from, saved) => {
    if (!saved) return { top: 0 }
    // A long page is drawn in steps: the place one left may come late, or never.
    const isTall = () => document.documentElement.scrollHeight >= saved.top + innerHeight
    await whenTrue(isTall, TALL_MS)
    return saved
  },
  routes: [
    {
      path: '/',
      name: 'episodes',
      component: () => import('./episodes/EpisodesView.vue'),
      meta: { title: 'Episodes' },
    },
    {
      path: '/library',
      name: 'library',
      component: () => import('./library/LibraryView.vue'),
      meta: { title: 'Library' },
    },
    {
      path: '/styles',
      name: 'styles',
      component: () => import('./styles/HouseStylesView.vue'),
      meta: { title: 'House styles' },
    },
    {
      path: '/topics',
      name: 'topics',
      component: () => import('./topics/TopicsView.vue'),
      meta: { title: 'Topics' },
    },
    {
      path: '/episode/:id',
      component: () => import('./episode/EpisodeShell.vue'),
      props: true,
      children: [
        { path: '', redirect: (to) => ({ name: 'script', params: to.params }) },
        {
          path: 'script',
          name: 'script',
          component: () => import('./script/ScriptView.vue'),
          meta: { title: 'Script' },
        },
        {
          path: 'sheet',
          name: 'sheet',
          component: () => import('./sheet/SheetView.vue'),
          meta: { title: 'Sheet' },
        },
        {
          path: 'picks',
          name: 'picks',
          component: () => import('./picks/PickRunView.vue'),
          meta: { title: 'Pick run' },
        },
        {
          path: 'contact',
          name: 'contact',
          component: () => import('./contact/ContactSheetView.vue'),
          meta: { title: 'Contact sheet' },
        },
        {
          path: 'shown',
          name: 'shown',
          component: () => import('./shown/ShownView.vue'),
          props: true,
          meta: { title: 'What is shown' },
        },
        {
          path: 'subtitles',
          name: 'subtitles',
          component: () => import('./subtitles/SubtitlesView.vue'),
          meta: { title: 'Subtitles' },
        },
        {
          path: 'sound',
          name: 'sound',
          component: () => import('./sound/SoundView.vue'),
          meta: { title: 'Sound' },
        },
        {
          path: 'record',
          name: 'record',
          component: () => import('./record/RecordView.vue'),
          meta: { title: 'Recording' },
        },
        {
          path: 'render',
          name: 'render',
          component: () => import('./render/RenderView.vue'),
          meta: { title: 'Render' },
        },
      ],
    },
    {
      path: '/:rest(.*)',
      component: () => import('./NowhereView.vue'),
      meta: { title: 'Nothing here' },
    },
  ],
})

router.onError((_cause, to) => (unreached.value = to.fullPath))
router.afterEach((to, from) => {
  unreached.value = ''
  if (from.name && from.name !== to.name) toRoomWhenShown()
  // An episode's rooms say which episode it is: `EpisodeShell`.
  if (!to.params['id']) document.title = `${to.meta.title ?? ''} – Tidy Reel`
})
