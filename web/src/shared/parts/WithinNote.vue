<script setup lang="ts">
import type { Within } from '../ledger'
import { count } from '../words'
import FixButton from './FixButton.vue'
import SeverityMark from './SeverityMark.vue'

/** What a finding that stands for several files says of one of them. */
defineProps<{ pack: string; within: Within }>()
</script>

<template>
    <div class="border-line min-w-0 border-l-[3px] pl-3" data-test="within">
        <p class="text-small [overflow-wrap:anywhere]">
            <SeverityMark :severity="within.finding.severity" class="mr-1.5 inline align-[-1px]" />
            <span :class="within.finding.waived ? 'text-faint' : ''">{{ within.part.message }}</span>
            <span class="text-faint">
                One of {{ count(within.finding.parts.length, 'file') }} of
                <router-link
                    class="word"
                    :to="{ name: 'prove', params: { id: pack }, query: { finding: within.finding.name.code } }"
                    >one finding</router-link
                >.</span
            >
        </p>
        <FixButton
            v-if="within.part.fix && !within.finding.waived"
            class="text-small"
            :pack="pack"
            :finding="within.finding.name"
            :part="within.part.path"
            :fix="within.part.fix"
        />
    </div>
</template>
