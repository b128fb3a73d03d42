<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, data, type PackListItem } from '@/api/client'
import { useAppKeys } from '@/frame/useAppKeys'
import { useHelp } from '@/frame/help/useHelp'
import { readChosen, useDrop } from '@/shared/composables/useDrop'
import { useKeys } from '@/shared/composables/useKeys'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import StateNote from '@/shared/parts/StateNote.vue'
import NewPackDialog from './NewPackDialog.vue'
import OpenPackDialog from './OpenPackDialog.vue'
import PackBin from './PackBin.vue'
import PackRow from './PackRow.vue'
import { useBin } from './useBin'
import { useImport } from './useImport'

const {
    data: packs,
    error,
    isPending,
    refetch,
} = useQuery({ queryKey: ['packs'], queryFn: () => data(api.GET('/api/packs')) })
const words = useQueryValue('words')
const isNewOpen = ref(false)
const folder = ref<HTMLInputElement>()
const archive = ref<HTMLInputElement>()
const router = useRouter()
const { isHelpOpen } = useAppKeys()
const help = useHelp()
const route = useRoute()
const importing = useImport()
const bin = useBin()
const isOver = useDrop(importing.offer)

const shown = computed(() => {
    const wanted = words.value.toLowerCase().split(/\s+/).filter(Boolean)
    return (packs.value ?? []).filter((pack) => {
        const text = `${pack.summary.title} ${pack.summary.packId} ${pack.summary.editionTitle}`.toLowerCase()
        return wanted.every((word) => text.includes(word))
    })
})

const active = ref(0)
function move(step: number) {
    active.value = Math.max(0, Math.min(shown.value.length - 1, active.value + step))
    document.querySelectorAll<HTMLElement>('[data-pack] a')[active.value]?.focus()
}

/** The focus goes to the row that follows. */
async function putAway(pack: PackListItem) {
    const at = shown.value.findIndex((other) => other.id === pack.id)
    if (!(await bin.put(pack))) return
    await nextTick()
    active.value = Math.max(0, Math.min(shown.value.length - 1, at))
    move(0)
}

useKeys({
    ArrowDown: () => move(document.activeElement?.closest('[data-pack]') ? 1 : 0),
    ArrowUp: () => move(-1),
    n: () => (isNewOpen.value = true),
    Enter: () => {
        const pack = shown.value[active.value]
        if (pack) void router.push({ name: 'gather', params: { id: pack.id } })
    },
})
</script>

<template>
    <div class="flex h-full flex-col">
        <header class="flex items-baseline px-6 pt-5 pb-3">
            <h1 class="text-huge font-bold">Underlay</h1>
            <nav class="ml-auto flex gap-6" aria-label="More">
                <router-link :to="{ name: 'hosts' }">Hosts</router-link>
                <button type="button" title="F1" @click="help.openHere(route)">Help</button>
                <button type="button" title="?" @click="isHelpOpen = true">Keys</button>
            </nav>
        </header>
        <div class="border-line flex flex-wrap items-center gap-3 border-b px-6 pt-1 pb-4">
            <button type="button" class="press press-main" @click="isNewOpen = true">New pack</button>
            <button type="button" class="press" :disabled="importing.isOpening.value" @click="folder?.click()">
                Open a folder
            </button>
            <button type="button" class="press" :disabled="importing.isOpening.value" @click="archive?.click()">
                Open a package
            </button>
            <input
                ref="folder"
                type="file"
                webkitdirectory
                multiple
                class="hidden"
                aria-label="Folder to open"
                @change="importing.offer(readChosen($event.target as HTMLInputElement))"
            />
            <input
                ref="archive"
                type="file"
                class="hidden"
                aria-label="Package to open"
                @change="importing.offer(readChosen($event.target as HTMLInputElement))"
            />
            <span class="text-faint text-small">or drop it anywhere on this page</span>
            <label class="ml-auto flex w-72 items-center gap-2">
                <span class="sr-only">Find a pack</span>
                <input v-model="words" type="search" class="field" placeholder="Find a pack" data-search /><kbd
                    class="key"
                    aria-hidden="true"
                    >/</kbd
                >
            </label>
        </div>
        <main class="min-h-0 grow overflow-y-auto">
            <StateNote v-if="isPending || error" :is-loading="isPending" :problem="error" @again="refetch" />
            <StateNote v-else-if="packs?.length === 0" title="No packs yet">
                Begin a new pack, or open a folder or a package that you have: press the buttons above, or drop it here.
            </StateNote>
            <StateNote v-else-if="shown.length === 0" title="No pack has these words">
                <button type="button" class="word" @click="words = ''">Show all packs</button>
            </StateNote>
            <ul v-else>
                <PackRow v-for="pack in shown" :key="pack.id" :pack="pack" @bin="putAway(pack)" />
            </ul>
            <PackBin v-if="packs" />
        </main>
        <div
            v-if="isOver"
            class="border-lake bg-paper/90 text-large fixed inset-4 z-30 grid place-items-center border-2 border-dashed font-semibold"
            aria-hidden="true"
        >
            Drop a pack’s folder or a package
        </div>
        <NewPackDialog v-model="isNewOpen" />
        <OpenPackDialog :importing="importing" />
    </div>
</template>
