<script setup lang="ts">
import { computed } from 'vue'
import { baseUrl, fileUrl, type PackSummary } from '@/api/client'
import { canOpen, type Row } from '@/shared/ledger'
import PathText from '@/shared/parts/PathText.vue'
import { capital, endingOf } from '@/shared/words'
import { fileOf, type Wrong } from './trial'

/** One path that is not right in the host: yours, what is seen there, and why. */
const props = defineProps<{ pack: string; summary: PackSummary; item: Wrong; row: Row | undefined }>()
defineEmits<{ open: [] }>()

const file = computed(() => fileOf(props.item.path))
const isPicture = computed(() => (props.row?.isPicture || props.row?.isSound) ?? false)
const yours = computed(() => (props.row?.hash ? fileUrl(props.pack, file.value, props.row.hash) : null))
const base = computed(() =>
    props.row?.baseHash ? baseUrl(props.summary.host, props.summary.edition, file.value, props.row.baseHash) : null,
)
const seen = computed(() => ({ yours: yours.value, base: base.value, nothing: null })[props.item.sees])
/** Where in the file it is. */
const within = computed(() => props.item.path.slice(file.value.length + 1))
const finding = computed(() => props.item.causes[0]?.finding)
</script>

<template>
    <li
        class="border-line grid grid-cols-[200px_minmax(0,1fr)] gap-x-5 border-t py-3"
        :class="'max-[1100px]:grid-cols-[132px_minmax(0,1fr)] max-[700px]:grid-cols-1 max-[700px]:gap-y-2'"
        data-test="wrong"
        :data-key="item.path"
    >
        <div class="flex gap-2">
            <figure
                v-for="side in [
                    { of: 'yours', url: yours },
                    { of: 'in the host', url: seen },
                ]"
                :key="side.of"
            >
                <img
                    v-if="side.url && isPicture"
                    :src="side.url"
                    alt=""
                    class="pixels bg-paper border-line size-24 border object-contain max-[1100px]:size-[62px]"
                    loading="lazy"
                />
                <span
                    v-else
                    class="hatch border-line text-faint text-tiny flex size-24 items-center max-[1100px]:size-[62px] justify-center border"
                    ><span class="bg-film px-1">{{
                        isPicture || side.of !== 'yours' ? 'nothing' : endingOf(file)
                    }}</span></span
                >
                <figcaption class="text-tiny text-faint">{{ side.of }}</figcaption>
            </figure>
        </div>
        <div class="min-w-0">
            <p>
                <strong>{{ row?.title ?? file.slice(file.lastIndexOf('/') + 1) }}</strong>
                <span v-if="row?.noun" class="text-faint text-small ml-2">{{ capital(row.noun) }}</span>
                <span v-if="within" class="text-small ml-2 font-mono">{{ within }}</span>
            </p>
            <PathText :path="file" />
            <p v-for="cause in item.causes" :key="cause.says" class="text-small">{{ cause.says }}</p>
            <template v-if="item.causes.length === 0">
                <p v-for="says in item.says" :key="says" class="text-small">{{ says }}</p>
            </template>
            <p class="text-small flex gap-4">
                <router-link
                    v-if="finding"
                    class="word"
                    :to="{ name: 'prove', params: { id: pack }, query: { path: finding.path } }"
                    >To the finding</router-link
                >
                <button v-if="row && canOpen(row)" type="button" class="word" @click="$emit('open')">
                    {{ isPicture ? 'Look at it' : 'Edit it' }}
                </button>
            </p>
        </div>
    </li>
</template>
