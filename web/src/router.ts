import { createRouter, createWebHistory } from 'vue-router'
import { noteStop } from './shared/composables/useStops'

export const router = createRouter({
    history: createWebHistory(),
    routes: [
        { path: '/', redirect: '/packs' },
        {
            path: '/packs',
            name: 'packs',
            component: () => import('./stops/packs/PacksView.vue'),
            meta: { title: 'Packs' },
        },
        {
            path: '/hosts/:host?',
            name: 'hosts',
            component: () => import('./stops/hosts/HostsView.vue'),
            meta: { title: 'Hosts' },
        },
        {
            path: '/packs/:id',
            component: () => import('./frame/PackFrame.vue'),
            props: true,
            children: [
                { path: '', redirect: (to) => ({ name: 'gather', params: to.params }) },
                {
                    path: 'gather',
                    name: 'gather',
                    component: () => import('./stops/gather/GatherView.vue'),
                    props: true,
                    meta: { title: 'Gather' },
                },
                {
                    path: 'shape',
                    name: 'shape',
                    component: () => import('./stops/shape/ShapeView.vue'),
                    props: true,
                    meta: { title: 'Shape' },
                },
                {
                    path: 'define',
                    name: 'define',
                    component: () => import('./stops/define/DefineView.vue'),
                    props: true,
                    meta: { title: 'Define' },
                },
                {
                    path: 'prove',
                    name: 'prove',
                    component: () => import('./stops/prove/ProveView.vue'),
                    props: true,
                    meta: { title: 'Prove' },
                },
                {
                    path: 'release',
                    name: 'release',
                    component: () => import('./stops/release/ReleaseView.vue'),
                    props: true,
                    meta: { title: 'Release' },
                },
            ],
        },
        {
            path: '/:rest(.*)*',
            name: 'nowhere',
            component: () => import('./frame/NowhereView.vue'),
            meta: { title: 'Not found' },
        },
    ],
})

router.afterEach((to) => {
    noteStop(to)
    document.title = `${String(to.meta.title ?? 'Underlay')} · Underlay`
})
