import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { Problem } from './api/client'
import { listen } from './api/events'
import App from './App.vue'
import { router } from './router'
import './style.css'

const queries = new QueryClient({
    defaultOptions: {
        queries: {
            // Events tell what changed; nothing is fetched on a hunch.
            staleTime: Infinity,
            retry: (count, problem) =>
                count < 2 && problem instanceof Problem && problem.type === '/problems/unreachable',
        },
    },
})

listen(queries)
createApp(App).use(createPinia()).use(router).use(VueQueryPlugin, { queryClient: queries }).mount('#app')
