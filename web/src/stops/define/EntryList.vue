<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { baseUrl, fileUrl, type EntryItem, type PackSummary } from '@/api/client'

const props = defineProps<{ pack: string; summary: PackSummary; entries: readonly EntryItem[]; path: string }>()
defineEmits<{ choose: [entry: EntryItem] }>()
const box = ref<HTMLElement>()
const kinds = computed(() => [...Map.groupBy(props.entries, (entry) => entry.kindTitle)])

watch(
    () => [props.path, props.entries.length],
    async () => {
        await nextTick()
        box.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' })
    },
    { immediate: true },
)
</script>

<template>
    <nav
        ref="box"
        class="border-line w-[250px] shrink-0 overflow-y-auto border-r py-2 max-[1000px]:w-[190px]"
        aria-label="Entries of the pack"
    >
        <section v-for="[kind, items] in kinds" :key="kind">
            <h2 class="text-faint text-small px-6 pt-3 pb-1 font-semibold">{{ kind }} · {{ items.length }}</h2>
            <ul>
                <li v-for="item in items" :key="item.path">
                    <button
                        type="button"
                        class="flex w-full items-center gap-2.5 border-l-4 py-1 pr-3 pl-5 text-left"
                        :class="
                            item.path === path
                                ? 'border-lake bg-paper font-semibold'
                                : 'hover:bg-paper border-transparent'
                        "
                        :aria-current="item.path === path ? 'true' : undefined"
                        :title="item.path"
                        style="content-visibility: auto; contain-intrinsic-size: auto 40px"
                        @click="$emit('choose', item)"
                    >
                        <img
                            v-if="item.picture"
                            :src="
                                item.picture.isOfBase
                                    ? baseUrl(summary.host, summary.edition, item.picture.path, item.picture.hash)
                                    : fileUrl(pack, item.picture.path, item.picture.hash)
                            "
                            alt=""
                            class="pixels size-8 shrink-0 object-contain"
                            loading="lazy"
                        />
                        <span v-else class="text-faint w-8 shrink-0 text-center font-mono text-small" aria-hidden="true"
                            >{ }</span
                        >
                        <span class="min-w-0 truncate">{{ item.title }}</span>
                        <span
                            v-if="!item.isAccepted"
                            class="text-madder ml-auto"
                            role="img"
                            aria-label="The host does not accept it"
                            >▼</span
                        >
                    </button>
                </li>
            </ul>
        </section>
    </nav>
</template>
