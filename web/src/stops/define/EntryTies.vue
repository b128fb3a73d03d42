<script setup lang="ts">
import { computed } from 'vue'
import { pictureUrl, type Tie } from '@/api/client'
import { usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { useTies } from './useTies'

/** What an entry needs and what uses it, each a press away. */
const props = defineProps<{ pack: string; path: string }>()
const shown = useQueryValue('path')
const { data: ties } = useTies(
    () => props.pack,
    () => props.path,
)
const { data: detail } = usePack(() => props.pack)
const pictureOf = ({ picture }: Tie) => picture && detail.value && pictureUrl(props.pack, detail.value.summary, picture)
const parts = computed(() => [
    { key: 'needs', title: 'Needs', ties: ties.value?.needs ?? [], none: 'Nothing.' },
    { key: 'uses', title: 'Used by', ties: ties.value?.uses ?? [], none: 'Nothing in the base or the pack.' },
])
</script>

<template>
    <section v-for="part in parts" :key="part.key" :data-test="part.key" class="mt-5">
        <h2 class="font-bold">{{ part.title }}</h2>
        <p v-if="ties && part.ties.length === 0" class="text-faint text-small">{{ part.none }}</p>
        <ul>
            <li
                v-for="(tie, index) in part.ties"
                :key="index"
                class="border-line text-small flex items-start gap-2 border-t py-1"
            >
                <img
                    v-if="pictureOf(tie)"
                    :src="pictureOf(tie)!"
                    alt=""
                    class="pixels mt-0.5 size-6 shrink-0 object-contain"
                    loading="lazy"
                />
                <span class="min-w-0 grow break-words">
                    <span v-if="part.key === 'needs'" class="text-faint">{{ tie.says }}</span>{{ ' ' }}
                    <button
                        v-if="tie.isText && tie.path"
                        type="button"
                        class="word"
                        :title="tie.path"
                        @click="shown = tie.path"
                    >
                        {{ tie.title }}
                    </button>
                    <router-link
                        v-else-if="tie.isYours && tie.path && tie.holds"
                        class="word"
                        :title="tie.path"
                        :to="{ name: 'shape', params: { id: pack }, query: { path: tie.path } }"
                        >{{ tie.title }}</router-link
                    >
                    <span v-else :title="tie.path ?? undefined">{{ tie.title }}</span>
                    {{ ' ' }}<span v-if="part.key === 'uses'" class="text-faint">{{ tie.noun }}, {{ tie.says }}</span>
                    {{ ' '
                    }}<span v-if="!tie.holds"><span class="text-madder" aria-hidden="true"> ▼</span> not there</span>
                    <span v-else-if="tie.isYours" class="text-faint">yours</span>
                </span>
            </li>
        </ul>
        <p v-if="part.key === 'uses' && ties && ties.more > 0" class="text-faint text-small">
            and {{ ties.more }} more
        </p>
    </section>
</template>
