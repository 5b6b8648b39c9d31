import { createRouter, createWebHistory } from 'vue-router'
import { useSession } from './shared/session'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'door', component: () => import('./features/account/Door.vue') },
    { path: '/sign-in', name: 'sign-in', component: () => import('./features/account/SignIn.vue') },
    { path: '/begin', name: 'begin', component: () => import('./features/account/Begin.vue') },
    {
      path: '/h/:holding',
      component: () => import('./features/account/HoldingFrame.vue'),
      children: [
        { path: '', redirect: (to) => ({ path: `/h/${String(to.params.holding)}/tonight` }) },
        {
          path: 'tonight',
          name: 'tonight',
          component: () => import('./features/tonight/TonightPage.vue'),
        },
        {
          path: 'changes',
          name: 'changes',
          component: () => import('./features/change/ChangesPage.vue'),
        },
        {
          path: 'stores/:store/notebook',
          name: 'notebook',
          component: () => import('./features/notebook/NotebookPage.vue'),
        },
        {
          path: 'thermometers',
          name: 'thermometers',
          component: () => import('./features/notebook/NotebookPage.vue'),
        },
        { path: 'log', name: 'log', component: () => import('./features/log/LogPage.vue') },
        { path: 'round', name: 'round', component: () => import('./features/log/RoundPage.vue') },
        {
          path: 'loggers',
          name: 'loggers',
          component: () => import('./features/device/DevicesPage.vue'),
        },
        {
          path: 'stores',
          name: 'stores',
          component: () => import('./features/store/StoresPage.vue'),
        },
        {
          path: 'stores/:store',
          name: 'store',
          component: () => import('./features/store/StorePage.vue'),
        },
        {
          path: 'stores/:store/build',
          name: 'build',
          component: () => import('./features/store/BuildPage.vue'),
        },
        {
          path: 'sizing',
          name: 'sizing',
          component: () => import('./features/sizing/SizingPage.vue'),
        },
        {
          path: 'pairs',
          name: 'pairs',
          component: () => import('./features/sizing/PairsPage.vue'),
        },
        {
          path: 'book',
          name: 'book',
          component: () => import('./features/book/BookPage.vue'),
        },
        {
          path: 'stores/:store/file/:file?',
          name: 'file',
          component: () => import('./features/exchange/FilePage.vue'),
        },
        { path: 'runs/:run', name: 'run', component: () => import('./features/run/RunPage.vue') },
        {
          path: 'record/nights',
          name: 'nights',
          component: () => import('./features/record/NightsPage.vue'),
        },
        {
          path: 'record/statement',
          name: 'statement',
          component: () => import('./features/record/StatementPage.vue'),
        },
        {
          path: 'record/trials',
          name: 'trials',
          component: () => import('./features/trial/TrialsPage.vue'),
        },
        {
          path: 'record/trials/:trial',
          name: 'trial',
          component: () => import('./features/trial/TrialPage.vue'),
        },
        {
          path: 'houses/new',
          name: 'new-house',
          component: () => import('./features/house/NewHousePage.vue'),
        },
        {
          path: 'houses/:house',
          name: 'house',
          component: () => import('./features/house/HousePage.vue'),
        },
        {
          path: 'words',
          name: 'words',
          component: () => import('./features/words/WordsPage.vue'),
        },
        {
          path: 'people',
          name: 'people',
          component: () => import('./features/account/PeoplePage.vue'),
        },
      ],
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})

router.beforeEach(async (to) => {
  const session = useSession()
  const me = session.me ?? (await session.load().catch(() => null))
  if (!me) return true
  if (me.beginNeeded && to.name !== 'begin') return { name: 'begin' }
  if (!me.beginNeeded && !me.person && to.name !== 'sign-in')
    return { name: 'sign-in', query: to.path === '/' ? {} : { next: to.fullPath } }
  return true
})
