import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp, watch } from 'vue'
import { isPassing } from './api/client'
import { isConnected, listen } from './api/events'
import App from './App.vue'
import { router } from './router'
import { claim, saveLeft } from './shared/drafts'
import './style.css'

const queries = new QueryClient({
    defaultOptions: {
        queries: {
            // Events tell what changed; nothing is fetched on a hunch.
            staleTime: Infinity,
            // Lists have many thousand rows, which are replaced and never written to.
            shallow: true,
            retry: (count, problem) => count < 2 && isPassing(problem),
        },
    },
})

listen(queries)
// What was typed and not saved, by this page or one that is gone, is saved as soon as the server answers.
watch(isConnected, (now) => now && void saveLeft())
void router.isReady().then(() => {
    // An editor that is about to open takes up its draft itself.
    const { name, params, query } = router.currentRoute.value
    if (name === 'define' && typeof query.path === 'string') claim(String(params.id), query.path)
    return saveLeft()
})
createApp(App).use(createPinia()).use(router).use(VueQueryPlugin, { queryClient: queries }).mount('#app')
