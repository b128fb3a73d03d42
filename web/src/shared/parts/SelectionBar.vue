<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { api, data } from '@/api/client'
import { useFiles } from '../composables/useFiles'
import { useFixes } from '../composables/useFixes'
import { useChange } from '../composables/usePack'
import type { Selection } from '../composables/useSelection'
import { useWaivers } from '../composables/useWaivers'
import { count } from '../words'
import AlikeSteps from './AlikeSteps.vue'
import ReasonForm from './ReasonForm.vue'
import UMenu from './UMenu.vue'

/** What can be done with all rows that are chosen, each as one change. */
const props = defineProps<{ pack: string; selection: Selection }>()
const files = useFiles(() => props.pack)
const fixes = useFixes(() => props.pack)
const waivers = useWaivers(() => props.pack)
const change = useChange(() => props.pack)
const isWaiving = ref(false)

/** What was pressed has the focus again. */
const opener = ref<HTMLButtonElement>()
async function close() {
    isWaiving.value = false
    await nextTick()
    opener.value?.focus()
}

const rows = computed(() => props.selection.rows.value)
const ofBase = computed(() => rows.value.filter((row) => row.state === 'base'))
const yours = computed(() => rows.value.filter((row) => row.hash))
const pictures = computed(() => yours.value.filter((row) => row.isPicture && row.place))
const found = computed(() => rows.value.flatMap((row) => row.findings).filter((finding) => !finding.waived))
// What would only be added has a press of its own.
const pressable = computed(() => found.value.filter((finding) => finding.fix && !finding.fix.question))
const fixable = computed(() =>
    [false, true].flatMap((isOffer) => {
        const some = pressable.value.filter((finding) => finding.fix!.isOffer === isOffer)
        const says = isOffer ? `Accept ${count(some.length, 'offer')}` : `Make ${count(some.length, 'repair')}`
        return some.length > 0 ? [{ says, fixes: some.map((finding) => ({ finding: finding.name })) }] : []
    }),
)
const isBusy = computed(() => files.isBusy.value || fixes.isBusy.value || waivers.isBusy.value || change.isBusy.value)

const paths = computed(() => pictures.value.map((row) => row.path))
const shape = (title: string) =>
    change.run(
        () =>
            data(
                api.POST('/api/packs/{id}/pictures/steps', {
                    params: { path: { id: props.pack } },
                    body: { paths: paths.value, title },
                }),
            ),
        () => `${title}: done for ${count(pictures.value.length, 'picture')}. The sources are kept.`,
    )
</script>

<template>
    <section
        v-if="rows.length > 0"
        class="border-ink bg-paper flex min-h-[52px] shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-t-2 px-6 py-2"
        aria-label="Selection"
        data-test="selection"
    >
        <strong role="status">{{ count(rows.length, 'row') }} selected</strong>
        <ReasonForm
            v-if="isWaiving"
            class="max-w-xl grow"
            :name="`reason:${pack}:several`"
            :is-busy="isBusy"
            :give="
                (reason) =>
                    waivers.waive(
                        found.map((finding) => finding.name),
                        reason,
                    )
            "
            @close="close"
        />
        <template v-else>
            <button
                v-if="ofBase.length > 0"
                type="button"
                class="press"
                :disabled="isBusy"
                @click="files.bring(ofBase)"
            >
                Bring {{ count(ofBase.length, 'file') }}
            </button>
            <button
                v-for="some in fixable"
                :key="some.says"
                type="button"
                class="press"
                :disabled="isBusy"
                @click="fixes.applySeveral(some.fixes)"
            >
                {{ some.says }}
            </button>
            <button
                v-if="found.length > 0"
                ref="opener"
                type="button"
                class="press"
                :disabled="isBusy"
                @click="isWaiving = true"
            >
                Waive {{ count(found.length, 'finding') }} …
            </button>
            <UMenu v-if="pictures.length > 0" class="press" :disabled="isBusy" placement="top-start">
                <template #button>Shape {{ count(pictures.length, 'picture') }} …</template>
                <AlikeSteps :pack="pack" :paths="paths" @choose="shape" />
            </UMenu>
            <button
                v-if="yours.length > 0"
                type="button"
                class="press"
                :disabled="isBusy"
                @click="files.takeOut(yours)"
            >
                Take {{ count(yours.length, 'file') }} out
            </button>
            <span v-if="isBusy" class="text-faint text-small" role="status">Working …</span>
            <button type="button" class="word text-small ml-auto" @click="selection.clear()">Select none</button>
        </template>
    </section>
</template>
