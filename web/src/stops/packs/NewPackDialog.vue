<script setup lang="ts">
import { useMutation, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, data } from '@/api/client'
import { usePreferences } from '@/shared/composables/usePreferences'
import UDialog from '@/shared/parts/UDialog.vue'

const isOpen = defineModel<boolean>({ required: true })
const preferences = usePreferences()
const router = useRouter()
const { data: hosts } = useQuery({ queryKey: ['hosts'], queryFn: () => data(api.GET('/api/hosts')) })

const title = ref('')
const hostKey = ref('')
const edition = ref('')
const author = ref('')
const prefix = ref('')
const host = computed(() => hosts.value?.find((h) => h.key === hostKey.value) ?? hosts.value?.[0])
const editions = computed(() => host.value?.editions.filter((e) => e.hasBase) ?? [])

watch(isOpen, (open) => {
    if (!open) return
    title.value = ''
    author.value = preferences.author
    prefix.value = preferences.prefix
    isPrefixTyped.value = preferences.prefix !== ''
    make.reset()
})
watch(
    [host, editions, isOpen],
    () => {
        hostKey.value = host.value?.key ?? ''
        if (!editions.value.some((e) => e.key === edition.value)) edition.value = editions.value.at(-1)?.key ?? ''
    },
    { immediate: true },
)

/** The prefix follows the name until the author types one. */
const isPrefixTyped = ref(false)
watch(author, (name) => {
    if (isPrefixTyped.value) return
    const plain = name.normalize('NFD').toLowerCase()
    prefix.value = (plain.match(/[a-z0-9]+/g) ?? []).join('_').slice(0, 30)
})

const make = useMutation({
    mutationFn: () =>
        data(
            api.POST('/api/packs', {
                body: {
                    title: title.value,
                    host: hostKey.value,
                    edition: edition.value,
                    prefix: prefix.value,
                    author: author.value,
                },
            }),
        ),
    onSuccess: (made) => {
        preferences.author = author.value.trim()
        preferences.prefix = prefix.value
        isOpen.value = false
        void router.push({ name: 'gather', params: { id: made.id } })
    },
})
</script>

<template>
    <UDialog v-model="isOpen" title="New pack">
        <form class="flex flex-col gap-4" @submit.prevent="make.mutate()">
            <label>
                <span class="font-semibold">Title</span>
                <input v-model="title" class="field mt-1" required maxlength="80" autocomplete="off" />
            </label>
            <div class="grid grid-cols-2 gap-4">
                <label>
                    <span class="font-semibold">Host</span>
                    <select v-model="hostKey" class="field mt-1">
                        <option v-for="h in hosts" :key="h.key" :value="h.key">{{ h.title }}</option>
                    </select>
                </label>
                <label>
                    <span class="font-semibold">Edition</span>
                    <select v-model="edition" class="field mt-1">
                        <option v-for="e in editions" :key="e.key" :value="e.key">{{ e.title }}</option>
                    </select>
                </label>
            </div>
            <label>
                <span class="font-semibold">Your name</span>
                <input
                    v-model="author"
                    class="field mt-1"
                    required
                    maxlength="80"
                    autocomplete="name"
                    aria-describedby="author-help"
                />
                <span id="author-help" class="text-faint text-small">As people shall read it. Asked once.</span>
            </label>
            <label>
                <span class="font-semibold">Prefix</span>
                <input
                    v-model="prefix"
                    class="field mt-1 font-mono"
                    required
                    maxlength="30"
                    pattern="[a-z0-9_]+"
                    autocomplete="off"
                    aria-describedby="prefix-help"
                    title="a to z, 0 to 9 and _"
                    @input="isPrefixTyped = true"
                />
                <span id="prefix-help" class="text-faint text-small">
                    Your own name in a to z, 0 to 9 and _. It leads every id that you add, so that it never meets
                    another author’s.
                </span>
            </label>
            <p v-if="make.error.value" class="text-small" role="alert">
                <span class="text-madder font-bold" aria-hidden="true">▼ </span>{{ make.error.value.message }}
            </p>
            <div class="mt-2 flex justify-end gap-3">
                <button type="button" class="press" @click="isOpen = false">Not now</button>
                <button type="submit" class="press press-main" :disabled="make.isPending.value">Begin the pack</button>
            </div>
        </form>
    </UDialog>
</template>
