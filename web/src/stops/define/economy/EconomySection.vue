<script setup lang="ts">
import { computed, ref } from 'vue'
import { type EconomyView, type GoodView, type PackSummary } from '@/api/client'
import RecipeColumn from './RecipeColumn.vue'
import { sectionOf } from './columns'
import { coins } from './words'

/**
 * How a good is made and what it goes into, drawn as a pack's section is: a column a recipe, goods as layers whose thickness is the amount,
 * the base's as hatch, the pack's solid. Columns that do not fit beside the others stand below them.
 */
const props = defineProps<{
    pack: string
    summary: PackSummary
    economy: EconomyView
    chosen: string
    /** The worst that was found at a path. */
    worst: (path: string) => string | undefined
}>()
defineEmits<{ choose: [good: string]; open: [path: string] }>()

const section = computed(() => sectionOf(props.economy, props.chosen))
const good = computed(() => props.economy.goods.find(({ key }) => key === props.chosen))
/** The good on which one points: it is told in all columns. */
const pointed = ref('')
const groups = computed(() =>
    [
        { title: `What makes ${good.value?.title ?? 'it'}`, columns: section.value.toIt },
        { title: `What ${good.value?.title ?? 'it'} goes into`, columns: section.value.fromIt },
    ].filter((group) => group.columns.length > 0),
)
const costOf = (one: GoodView) =>
    !one.isThere
        ? 'does not exist'
        : !one.after
          ? 'cannot be had'
          : one.after.way
            ? `costs ${coins(one.after.price)}`
            : one.after.price > 0
              ? `bought at ${coins(one.after.price)}`
              : 'at hand'
</script>

<template>
    <div class="h-full overflow-y-auto px-6 py-4" data-test="economy-section">
        <p v-if="good" class="mb-3">
            <span class="font-semibold">{{ good.title }}</span> <span class="text-faint">{{ costOf(good) }}</span>
            <span class="text-faint text-small ml-4"
                >Below the line what goes in, above it what comes out; thicker is more.</span
            >
        </p>
        <section v-for="group in groups" :key="group.title" class="mb-6" :aria-label="group.title">
            <h3 class="text-small mb-2 font-semibold">{{ group.title }}</h3>
            <div class="flex flex-wrap gap-x-2 gap-y-4">
                <RecipeColumn
                    v-for="column in group.columns"
                    :key="column.recipe.path"
                    v-model:pointed="pointed"
                    :column="column"
                    :above="section.above"
                    :below="section.below"
                    :chosen="chosen"
                    :worst="worst(column.recipe.path)"
                    :cost-of="costOf"
                    @choose="$emit('choose', $event)"
                    @open="$emit('open', $event)"
                />
            </div>
        </section>
        <p v-if="groups.length === 0" class="text-faint">No recipe makes it, and none takes it.</p>
        <p v-if="section.isCut" class="text-faint text-small">There is more; press a good to go on from it.</p>
    </div>
</template>
