import '@fontsource-variable/bitter'
import '@fontsource-variable/source-sans-3'
import './styles/main.scss'
import { VueQueryPlugin, QueryClient } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp, watch } from 'vue'
import App from './App.vue'
import { router } from './router'
import './shared/install'
import { back } from './shared/answers'
import { changed, flush, watchSignal } from './shared/outbox'
import { watchVersion } from './shared/version'

const queries = new QueryClient({
  defaultOptions: {
    // without signal answers.ts tells what was last heard
    queries: { retry: 1, staleTime: 10_000, refetchOnWindowFocus: false, networkMode: 'always' },
  },
})

createApp(App)
  .use(createPinia())
  .use(router)
  .use(VueQueryPlugin, { queryClient: queries })
  .mount('#app')

watchSignal()
// what was typed goes out first, then all is looked at anew
watch(back, () => void flush().then(() => queries.invalidateQueries()))
watch(changed, () => void queries.invalidateQueries())
watchVersion()
