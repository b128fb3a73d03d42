<script setup lang="ts">
import { useHelp } from '@/frame/help/useHelp'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, data, type HostView } from '@/api/client'
import StateNote from '@/shared/parts/StateNote.vue'

/** The hosts' profiles as readable pages. */
const {
    data: hosts,
    error,
    isPending,
    refetch,
} = useQuery({ queryKey: ['hosts'], queryFn: () => data(api.GET('/api/hosts')) })
const contents: Record<HostView['places'][number]['content'], string> = {
    picture: 'one picture',
    sound: 'one sound',
    entry: 'one JSON entry',
    table: 'one CSV table',
    index: 'one XML index',
}
const route = useRoute()
const help = useHelp()
const router = useRouter()
const host = computed(() => hosts.value?.find((h) => h.key === route.params.host) ?? hosts.value?.[0])
</script>

<template>
    <div class="h-full overflow-y-auto">
        <header class="border-line flex items-baseline gap-6 border-b px-6 pt-5 pb-3">
            <h1 class="text-huge font-bold">Hosts</h1>
            <nav class="flex gap-4" aria-label="Hosts">
                <router-link
                    v-for="h in hosts"
                    :key="h.key"
                    :to="{ name: 'hosts', params: { host: h.key } }"
                    :class="h.key === host?.key ? 'font-bold' : ''"
                    >{{ h.title }}</router-link
                >
            </nav>
            <button type="button" class="word ml-auto" title="F1" @click="help.open()">Help</button>
            <button type="button" class="word" @click="router.back()">Back</button>
            <router-link class="word" :to="{ name: 'packs' }">Packs</router-link>
        </header>
        <StateNote v-if="isPending || error" :is-loading="isPending" :problem="error" @again="refetch" />
        <main v-else-if="host" class="max-w-5xl px-6 py-5">
            <p>{{ host.about }}</p>
            <h2 class="mt-5 text-large font-bold">Editions</h2>
            <ul class="mt-1">
                <li v-for="edition in host.editions" :key="edition.key" class="flex flex-wrap gap-x-3">
                    <strong>{{ edition.title }}</strong>
                    <span class="text-faint">{{
                        edition.hasBase
                            ? 'base files are here'
                            : 'base files are not here, so packs cannot be compared or tried with it'
                    }}</span>
                </li>
            </ul>
            <h2 class="mt-5 text-large font-bold">Places</h2>
            <table class="mt-2 w-full text-left">
                <thead class="text-faint text-small">
                    <tr>
                        <th class="py-1 pr-4 font-semibold">Place</th>
                        <th class="pr-4 font-semibold">Path</th>
                        <th class="pr-4 font-semibold">Holds</th>
                        <th class="font-semibold">Known because</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="place in host.places" :key="place.key" class="border-line border-t">
                        <td class="py-1.5 pr-4 font-semibold">{{ place.title }}</td>
                        <td class="text-small pr-4 font-mono">{{ place.path ?? 'named in the manifest' }}</td>
                        <td class="pr-4">{{ contents[place.content] }}</td>
                        <td>
                            {{
                                place.basis === 'documented'
                                    ? 'the host’s makers say so'
                                    : place.basis === 'measured'
                                      ? 'the base’s own files show it'
                                      : 'it is the safe reading'
                            }}
                        </td>
                    </tr>
                </tbody>
            </table>
            <p class="text-faint mt-4">
                A package for {{ host.title }} ends in <span class="font-mono">{{ host.packageExtension }}</span>. The
                prefix <span class="font-mono">{{ host.basePrefix }}</span> is the host’s own.
            </p>
        </main>
    </div>
</template>
