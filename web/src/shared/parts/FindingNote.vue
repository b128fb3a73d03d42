<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { FindingsView, FindingView } from '@/api/client'
import { useHelp } from '@/frame/help/useHelp'
import { useWaivers } from '../composables/useWaivers'
import FindingParts from './FindingParts.vue'
import HalfChanged from './HalfChanged.vue'
import FixButton from './FixButton.vue'
import ReasonForm from './ReasonForm.vue'
import SeverityMark from './SeverityMark.vue'

const props = defineProps<{ pack: string; finding: FindingView }>()
const waivers = useWaivers(() => props.pack)
const isWaiving = ref(false)
const help = useHelp()

/** Others of the same kind, which may be left for the same reason. */
const queries = useQueryClient()
const alike = computed(() =>
    isWaiving.value
        ? (queries.getQueryData<FindingsView>(['pack', props.pack, 'findings'])?.rows ?? [])
              .filter((f) => f.name.code === props.finding.name.code && !f.waived)
              .map((f) => f.name)
              .filter((name) => JSON.stringify(name) !== JSON.stringify(props.finding.name))
        : [],
)
const waive = (reason: string, withOthers: boolean) =>
    waivers.waive([props.finding.name, ...(withOthers ? alike.value : [])], reason)

// What no fix can repair is repaired where such files are worked on.
const route = useRoute()
const where = computed(() => {
    const file = props.finding.name.path.split('#')[0]!
    if (props.finding.fix || props.finding.waived || props.finding.place === 'elsewhere') return null
    const name = /\.(json|csv|xml|toml)$/.test(file) ? 'define' : /\.(png|dds)$/.test(file) ? 'shape' : null
    return !name || route.name === name ? null : { name, params: { id: props.pack }, query: { path: file } }
})

/** What was pressed has the focus again. */
const opener = ref<HTMLButtonElement>()
async function close() {
    isWaiving.value = false
    await nextTick()
    opener.value?.focus()
}
</script>

<template>
    <div
        class="min-w-0 border-l-[3px] pl-3"
        :class="
            finding.waived
                ? 'border-line'
                : finding.severity === 'blocker'
                  ? 'border-madder'
                  : finding.severity === 'warning'
                    ? 'border-saffron border-dashed'
                    : 'border-line'
        "
        data-test="finding"
        :data-code="finding.name.code"
    >
        <p class="text-small [overflow-wrap:anywhere]">
            <SeverityMark :severity="finding.severity" class="mr-1.5 inline align-[-1px]" />
            <span :class="finding.waived ? 'text-faint' : ''">{{ finding.message }}</span>
            <span v-if="finding.waived" class="text-faint"> Waived: “{{ finding.waived }}”.</span>
        </p>
        <HalfChanged v-if="finding.name.code === 'thing/half-changed'" :pack="pack" :finding="finding" />
        <FindingParts v-else :pack="pack" :finding="finding" />
        <div v-if="!isWaiving" class="text-small flex flex-wrap gap-x-4">
            <FixButton v-if="finding.fix && !finding.waived" :pack="pack" :finding="finding.name" :fix="finding.fix" />
            <router-link v-if="where" class="word" :to="where">{{
                where.name === 'define' ? 'Edit it' : 'Look at it'
            }}</router-link>
            <button
                type="button"
                class="word"
                :aria-label="`What ${finding.name.code} means`"
                data-test="explain"
                @click="help.openCheck(finding.name.code)"
            >
                What it means
            </button>
            <button v-if="finding.waived" type="button" class="word" @click="waivers.withdraw(finding.name)">
                Withdraw the waiver
            </button>
            <button v-else ref="opener" type="button" class="word" data-test="waive" @click="isWaiving = true">
                Waive …
            </button>
        </div>
        <ReasonForm
            v-else
            class="mt-1"
            :name="`reason:${pack}:${finding.name.code}:${finding.name.path}`"
            :is-busy="waivers.isBusy.value"
            :others="alike.length"
            :give="waive"
            @close="close"
        />
    </div>
</template>
