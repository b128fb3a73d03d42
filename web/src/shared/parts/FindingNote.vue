<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, data, type FindingView } from '@/api/client'
import { useChange } from '../composables/usePack'
import SeverityMark from './SeverityMark.vue'

const props = defineProps<{ pack: string; finding: FindingView }>()
const change = useChange(() => props.pack)
const isWaiving = ref(false)
const reason = ref('')

const path = { id: props.pack }

// What no fix can repair is repaired where such files are worked on.
const route = useRoute()
const where = computed(() => {
    const { path: file } = props.finding.name
    if (props.finding.fix || props.finding.waived || props.finding.place === 'elsewhere') return null
    const name = file.endsWith('.json') ? 'define' : 'shape'
    return route.name === name ? null : { name, params: { id: props.pack }, query: { path: file } }
})

function fix() {
    const title = props.finding.fix?.title
    return change.run(
        () => data(api.POST('/api/packs/{id}/fixes', { params: { path }, body: { findings: [props.finding.name] } })),
        () => `${title}: done.`,
    )
}

async function waive() {
    const body = { finding: props.finding.name, reason: reason.value }
    const made = await change.run(
        () => data(api.POST('/api/packs/{id}/waivers', { params: { path }, body })),
        () => 'Waived. It counts no longer; it comes back when the file changes.',
    )
    if (made) isWaiving.value = false
}

function withdraw() {
    return change.run(
        () => data(api.POST('/api/packs/{id}/waivers/withdrawals', { params: { path }, body: props.finding.name })),
        () => 'The waiver is withdrawn.',
    )
}

defineExpose({ fix, openWaive: () => (isWaiving.value = true) })
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
        <p v-if="!isWaiving" class="text-small flex flex-wrap gap-x-4">
            <button
                v-if="finding.fix && !finding.waived"
                type="button"
                class="word"
                :disabled="change.isBusy.value"
                data-test="fix"
                @click="fix"
            >
                {{ finding.fix.title }}
            </button>
            <router-link v-if="where" class="word" :to="where">{{
                where.name === 'define' ? 'Edit it' : 'Look at it'
            }}</router-link>
            <button v-if="finding.waived" type="button" class="word" @click="withdraw">Withdraw the waiver</button>
            <button v-else type="button" class="word" data-test="waive" @click="isWaiving = true">Waive …</button>
        </p>
        <form v-else class="mt-1 flex gap-2" @submit.prevent="waive" @keydown.esc.stop="isWaiving = false">
            <label class="grow">
                <span class="sr-only">Why may it stay?</span>
                <input
                    v-model="reason"
                    class="field text-small"
                    placeholder="Why may it stay?"
                    required
                    maxlength="300"
                    autofocus
                />
            </label>
            <button type="submit" class="press text-small" :disabled="!reason.trim() || change.isBusy.value">
                Waive
            </button>
            <button type="button" class="word text-small" @click="isWaiving = false">Not now</button>
        </form>
    </div>
</template>
