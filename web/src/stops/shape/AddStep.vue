<script setup lang="ts">
import type { StepOfferView } from '@/api/client'
import MenuLine from '@/shared/parts/MenuLine.vue'
import UMenu from '@/shared/parts/UMenu.vue'
import type { Step } from './useSteps'

/** A menu of the steps that may be added. */
defineProps<{ offers: readonly StepOfferView[]; isDisabled: boolean }>()
defineEmits<{ add: [step: Step, title: string] }>()
</script>

<template>
    <UMenu class="press" :disabled="isDisabled" data-test="add-step" placement="top-start">
        <template #button>+ Step</template>
        <MenuLine
            v-for="offer in offers"
            :key="offer.title"
            @click="$emit('add', offer.step as unknown as Step, offer.title)"
        >
            {{ offer.title }}
        </MenuLine>
    </UMenu>
</template>
