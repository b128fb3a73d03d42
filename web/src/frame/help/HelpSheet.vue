<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { computed, nextTick, ref, watch } from 'vue'
import { linked, pageAt, pages, search, type HelpPage } from './pages'
import { useHelp } from './useHelp'

/** Help as a sheet from the right: the guide, what each finding means, the words. Esc closes it, and the focus is where it was. */
const { isOpen, topic, close } = useHelp()
const typed = ref('')
const field = ref<HTMLInputElement>()
const body = ref<HTMLElement>()
const page = computed(() => (typed.value.trim() === '' ? pageAt(topic.value) : undefined))
const hits = computed(() => (typed.value.trim() === '' ? pages : search(typed.value)))
const parts = computed(() =>
    (['Guide', 'Findings', 'Words'] as const)
        .map((part) => ({ part, list: hits.value.filter((one) => one.part === part) }))
        .filter((group) => group.list.length > 0),
)
watch(isOpen, (now) => now && (typed.value = ''))

async function show(one: HelpPage | undefined) {
    if (!one) return
    typed.value = ''
    topic.value = one.key
    await nextTick()
    body.value?.scrollTo({ top: 0 })
    body.value?.focus()
}
async function contents() {
    topic.value = ''
    await nextTick()
    field.value?.focus()
}
/** A link of the texts stays in them. */
function follow(event: MouseEvent) {
    const link = (event.target as HTMLElement).closest('a')
    if (!link) return
    const href = link.getAttribute('href') ?? ''
    if (/^https?:/.test(href)) return
    event.preventDefault()
    void show(linked(href))
}
</script>

<template>
    <Dialog :open="isOpen" class="relative z-50" :initial-focus="field" @close="close">
        <div class="fixed inset-0 bg-[#0f2e33]/25" aria-hidden="true"></div>
        <DialogPanel
            class="border-ink bg-film fixed inset-y-0 right-0 flex w-[480px] max-w-full flex-col border-l"
            data-test="help"
        >
            <header class="border-line flex items-center gap-4 border-b px-6 py-4">
                <DialogTitle class="text-large font-bold">Help</DialogTitle>
                <button type="button" class="word ml-auto" @click="close">Close</button>
            </header>
            <div class="border-line flex items-center gap-4 border-b px-6 py-3">
                <label class="grow">
                    <span class="sr-only">Find in help</span>
                    <input
                        ref="field"
                        v-model="typed"
                        type="search"
                        class="field"
                        placeholder="Find in help"
                        data-test="help-search"
                        @keydown.enter.prevent="show(hits[0])"
                    />
                </label>
                <button v-if="page" type="button" class="word text-small" @click="contents">All of help</button>
            </div>
            <div ref="body" class="min-h-0 grow overflow-y-auto px-6 py-4" tabindex="0" aria-label="Help text">
                <article v-if="page" data-test="help-page">
                    <p class="text-faint text-small">{{ page.part }}</p>
                    <h2 class="mb-2 font-bold" :class="page.part === 'Findings' ? 'font-mono' : 'text-large'">
                        {{ page.title }}
                    </h2>
                    <!-- eslint-disable-next-line vue/no-v-html -- our own texts, which ship with the application -->
                    <div class="help-text" @click="follow" v-html="page.html"></div>
                </article>
                <p v-else-if="hits.length === 0" role="status">
                    Nothing in help has this.
                    <button type="button" class="word" @click="typed = ''">Show all</button>
                </p>
                <template v-else>
                    <section v-for="group in parts" :key="group.part" class="mb-5">
                        <h2 class="mb-1 font-semibold">{{ group.part }}</h2>
                        <ul>
                            <li v-for="one in group.list" :key="one.key">
                                <button
                                    type="button"
                                    class="word text-left"
                                    :class="one.part === 'Findings' ? 'font-mono text-small' : ''"
                                    @click="show(one)"
                                >
                                    {{ one.title }}
                                </button>
                            </li>
                        </ul>
                    </section>
                </template>
            </div>
        </DialogPanel>
    </Dialog>
</template>
