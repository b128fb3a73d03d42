<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { FindingView } from '@/api/client'
import { useWaivers } from '../composables/useWaivers'
import FindingParts from './FindingParts.vue'
import FixButton from './FixButton.vue'
import SeverityMark from './SeverityMark.vue'

const props = defineProps<{ pack: string; finding: FindingView }>()
const waivers = useWaivers(() => props.pack)
const isWaiving = ref(false)
const reason = ref('')

// What no fix can repair is repaired where such files are worked on.
const route = useRoute()
const where = computed(() => {
    const file = props.finding.name.path.split('#')[0]!
    if (props.finding.fix || props.finding.waived || props.finding.place === 'elsewhere') return null
    const name = /\.(json|csv|xml|toml)$/.test(file) ? 'define' : /\.(png|dds)$/.test(file) ? 'shape' : null
    return !name || route.name === name ? null : { name, params: { id: props.pack }, query: { path: file } }
})

async function waive() {
    if (await waivers.waive(props.finding.name, reason.value)) isWaiving.value = false
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
        <FindingParts :pack="pack" :finding="finding" />
        <div v-if="!isWaiving" class="text-small flex flex-wrap gap-x-4">
            <FixButton v-if="finding.fix && !finding.waived" :pack="pack" :finding="finding.name" :fix="finding.fix" />
            <router-link v-if="where" class="word" :to="where">{{
                where.name === 'define' ? 'Edit it' : 'Look at it'
            }}</router-link>
            <button v-if="finding.waived" type="button" class="word" @click="waivers.withdraw(finding.name)">
                Withdraw the waiver
            </button>
            <button v-else type="button" class="word" data-test="waive" @click="isWaiving = true">Waive …</button>
        </div>
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
            <button type="submit" class="press text-small" :disabled="!reason.trim() || waivers.isBusy.value">
                Waive
            </button>
            <button type="button" class="word text-small" @click="isWaiving = false">Not now</button>
        </form>
    </div>
</template>
