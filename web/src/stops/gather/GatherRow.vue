<script setup lang="ts">
import { computed } from 'vue'
import type { PackSummary } from '@/api/client'
import { useFiles } from '@/shared/composables/useFiles'
import type { Row } from '@/shared/ledger'
import FindingNote from '@/shared/parts/FindingNote.vue'
import RowName from '@/shared/parts/RowName.vue'
import RowSheet from '@/shared/parts/RowSheet.vue'
import WithinNote from '@/shared/parts/WithinNote.vue'
import { bytes, count, heard, pixels } from '@/shared/words'
import RowMenu from './RowMenu.vue'

const props = defineProps<{ pack: string; summary: PackSummary; row: Row; isSwapped: boolean }>()
defineEmits<{ open: [] }>()
const files = useFiles(() => props.pack)

const words: Record<string, string> = {
    addition: 'added',
    base: 'base',
    unchanged: 'as the base',
    unplaced: 'no place',
    missing: 'missing',
    several: 'several files',
}
const says = computed(() => words[props.row.state] ?? '')
const size = computed(
    () =>
        pixels(props.row.size) ||
        (props.row.state === 'base' ? pixels(props.row.baseSize) : '') ||
        heard(props.row.heard),
)
</script>

<template>
    <div
        class="grid grid-cols-[64px_minmax(0,1fr)_196px_minmax(260px,36%)_28px] items-center gap-x-5 py-2 pr-6 pl-5"
        :class="[
            'max-[1000px]:grid-cols-[64px_minmax(0,1fr)_minmax(220px,40%)_28px]',
            'max-[700px]:grid-cols-[64px_minmax(0,1fr)_28px] max-[700px]:gap-y-2 max-[700px]:pr-4',
        ]"
    >
        <RowSheet :pack="pack" :summary="summary" :row="row" :is-swapped="isSwapped" @open="$emit('open')" />
        <RowName :row="row" @open="$emit('open')" />
        <p class="text-small font-mono max-[1000px]:hidden">
            <template v-if="row.state === 'override' && row.baseSize && row.size"
                >{{ pixels(row.baseSize) }} <span class="text-faint">→</span> {{ pixels(row.size) }}</template
            >
            <template v-else
                >{{ size || (row.length ? bytes(row.length) : '') }}
                <span class="text-faint">{{ says }}</span></template
            >
        </p>
        <div class="flex flex-col gap-2 max-[700px]:col-span-3 max-[700px]:row-start-2">
            <button
                v-if="row.state === 'base'"
                type="button"
                class="word text-small self-start"
                :disabled="files.isBusy.value"
                data-test="bring"
                @click="files.bring([row])"
            >
                Bring into the pack
            </button>
            <FindingNote
                v-for="finding in row.findings.slice(0, 3)"
                :key="finding.name.code + finding.name.pointer + finding.name.discriminator"
                :pack="pack"
                :finding="finding"
            />
            <WithinNote
                v-for="item in row.within.slice(0, 2)"
                :key="item.finding.name.code + item.finding.name.discriminator"
                :pack="pack"
                :within="item"
            />
            <router-link
                v-if="row.findings.length > 3"
                class="word text-small"
                :to="{ name: 'prove', params: { id: pack } }"
                >{{ count(row.findings.length - 3, 'more finding') }}</router-link
            >
            <p
                v-if="row.findings.length === 0 && row.within.length === 0 && row.state !== 'base'"
                class="text-faint text-small"
            >
                {{ row.state === 'unplaced' ? 'The host does not read it.' : 'As the host wants it.' }}
            </p>
        </div>
        <RowMenu v-if="row.hash" :pack="pack" :row="row" />
    </div>
</template>
