import { PREFIX } from './shared/at'
import { createRouter, createWebHistory } from 'vue-router'
import Door from './features/account/Door.vue'
import HoldingFrame from './features/account/HoldingFrame.vue'
import TonightPage from './features/tonight/TonightPage.vue'
import { useSession } from './shared/session'

// what tonight's verdict needs comes in one piece, everything else when it is gone to
export const router = createRouter({
  history: createWebHistory(PREFIX),
  routes: [
    { path: '/', name: 'door', component: Door },
    {
      path: '/sign-in',
      name: 'sign-in',
      meta: { title: 'Sign in' },
      component: () => import('./features/account/SignIn.vue'),
    },
    {
      path: '/come-in',
      name: 'come-in',
      meta: { title: 'Come in' },
      component: () => import('./features/account/ComeIn.vue'),
    },
    {
      path: '/begin',
      name: 'begin',
      meta: { title: 'Begin' },
      component: () => import('./features/account/Begin.vue'),
    },
    {
      path: '/seen/:code',
      name: 'seen',
      meta: { title: 'Seen' },
      component: () => import('./features/alarm/SeenPage.vue'),
    },
    {
      path: '/shown/:code',
      name: 'shown',
      meta: { title: 'Shown to you' },
      component: () => import('./features/account/ShownPage.vue'),
    },
    {
      path: '/h/:holding',
      component: HoldingFrame,
      children: [
        { path: '', redirect: (to) => ({ path: `/h/${String(to.params.holding)}/tonight` }) },
        {
          path: 'tonight',
          name: 'tonight',
          meta: { title: 'Tonight' },
          component: TonightPage,
        },
        {
          path: 'changes',
          name: 'changes',
          meta: { title: 'What was changed' },
          component: () => import('./features/change/ChangesPage.vue'),
        },
        {
          path: 'stores/:store/notebook',
          name: 'notebook',
          meta: { title: 'Notebook' },
          component: () => import('./features/notebook/NotebookPage.vue'),
        },
        {
          path: 'thermometers',
          name: 'thermometers',
          meta: { title: 'Thermometers' },
          component: () => import('./features/notebook/NotebookPage.vue'),
        },
        {
          path: 'log',
          name: 'log',
          meta: { title: 'Log' },
          component: () => import('./features/log/LogPage.vue'),
        },
        {
          path: 'round',
          name: 'round',
          meta: { title: 'A round' },
          component: () => import('./features/log/RoundPage.vue'),
        },
        {
          path: 'loggers',
          name: 'loggers',
          meta: { title: 'Loggers' },
          component: () => import('./features/device/DevicesPage.vue'),
        },
        {
          path: 'stores',
          name: 'stores',
          meta: { title: 'Stores' },
          component: () => import('./features/store/StoresPage.vue'),
        },
        {
          path: 'stores/:store',
          name: 'store',
          meta: { title: 'A store' },
          component: () => import('./features/store/StorePage.vue'),
        },
        {
          path: 'stores/:store/build',
          name: 'build',
          meta: { title: 'Build sheet' },
          component: () => import('./features/store/BuildPage.vue'),
        },
        {
          path: 'sizing',
          name: 'sizing',
          meta: { title: 'Sizing' },
          component: () => import('./features/sizing/SizingPage.vue'),
        },
        {
          path: 'upkeep',
          name: 'upkeep',
          meta: { title: 'Upkeep' },
          component: () => import('./features/upkeep/UpkeepPage.vue'),
        },
        {
          path: 'practice',
          name: 'practice',
          meta: { title: 'Practise a night' },
          component: () => import('./features/practice/PracticePage.vue'),
        },
        {
          path: 'next',
          name: 'next',
          meta: { title: 'What next' },
          component: () => import('./features/next/NextPage.vue'),
        },
        {
          path: 'pairs',
          name: 'pairs',
          meta: { title: 'Two ways' },
          component: () => import('./features/sizing/PairsPage.vue'),
        },
        {
          path: 'book',
          name: 'book',
          meta: { title: 'Media and prices' },
          component: () => import('./features/book/BookPage.vue'),
        },
        {
          path: 'stores/:store/file/:file?',
          name: 'file',
          meta: { title: 'A file' },
          component: () => import('./features/exchange/FilePage.vue'),
        },
        {
          path: 'runs/:run',
          name: 'run',
          meta: { title: 'A run' },
          component: () => import('./features/run/RunPage.vue'),
        },
        {
          path: 'record/nights',
          name: 'nights',
          meta: { title: 'Nights' },
          component: () => import('./features/record/NightsPage.vue'),
        },
        {
          path: 'record/statement',
          name: 'statement',
          meta: { title: 'Statement' },
          component: () => import('./features/record/StatementPage.vue'),
        },
        {
          path: 'record/winter',
          name: 'winter',
          meta: { title: 'The winter' },
          component: () => import('./features/record/WinterPage.vue'),
        },
        {
          path: 'record/trials',
          name: 'trials',
          meta: { title: 'Trials' },
          component: () => import('./features/trial/TrialsPage.vue'),
        },
        {
          path: 'record/trials/:trial',
          name: 'trial',
          meta: { title: 'A trial' },
          component: () => import('./features/trial/TrialPage.vue'),
        },
        {
          path: 'houses/new',
          name: 'new-house',
          meta: { title: 'A new house' },
          component: () => import('./features/house/NewHousePage.vue'),
        },
        {
          path: 'houses/:house',
          name: 'house',
          meta: { title: 'The house' },
          component: () => import('./features/house/HousePage.vue'),
        },
        {
          path: 'words',
          name: 'words',
          meta: { title: 'What the words mean' },
          component: () => import('./features/words/WordsPage.vue'),
        },
        {
          path: 'alarms',
          name: 'alarms',
          meta: { title: 'Alarms' },
          component: () => import('./features/alarm/AlarmsPage.vue'),
        },
        {
          path: 'health',
          name: 'health',
          meta: { title: 'Is all well?' },
          component: () => import('./features/health/HealthPage.vue'),
        },
        {
          path: 'people',
          name: 'people',
          meta: { title: 'Place' },
          component: () => import('./features/account/PeoplePage.vue'),
        },
      ],
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})

router.afterEach((to) => {
  const holding = useSession().holdings.find((h) => h.id === to.params.holding)?.name
  document.title = [to.meta.title, holding, 'Night Bank'].filter(Boolean).join(' · ')
})

router.beforeEach(async (to) => {
  const session = useSession()
  const me = session.me ?? (await session.load().catch(() => null))
  if (!me) return true
  if (me.beginNeeded && to.name !== 'begin') return { name: 'begin' }
  if (
    !me.beginNeeded &&
    !me.person &&
    !['sign-in', 'come-in', 'seen', 'shown'].includes(String(to.name))
  )
    return {
      name: 'sign-in',
      meta: { title: 'Sign in' },
      query: to.path === '/' ? {} : { next: to.fullPath },
    }
  return true
})
