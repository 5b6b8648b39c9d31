import '@fontsource-variable/bitter'
import '@fontsource-variable/source-sans-3'
import './styles/main.scss'
import { VueQueryPlugin, QueryClient } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { watchSignal } from './shared/outbox'

const queries = new QueryClient({
  defaultOptions: {
    // without signal the service worker answers with what it last heard
    queries: { retry: 1, staleTime: 10_000, refetchOnWindowFocus: false, networkMode: 'always' },
  },
})

createApp(App)
  .use(createPinia())
  .use(router)
  .use(VueQueryPlugin, { queryClient: queries })
  .mount('#app')

watchSignal()
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  void navigator.serviceWorker.register('/sw.js').then(async () => {
    await navigator.serviceWorker.ready
    // what is needed in the house at night is fetched while there is signal
    await Promise.all([
      import('./features/tonight/TonightPage.vue'),
      import('./features/log/RoundPage.vue'),
      import('./features/log/LogPage.vue'),
    ])
  })
