<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { api, data } from '@/api/client'
import { useChange } from '@/shared/composables/usePack'
import UDialog from '@/shared/parts/UDialog.vue'
import PlanList from '@/shared/parts/PlanList.vue'

/**
 * Gives an entry another name, or makes a new one of it; what will be done is listed before. Without an entry, one of the base or the
 * pack is chosen first, or none: then it begins with what it has to have.
 */
const isOpen = defineModel<boolean>({ required: true })
const props = defineProps<{
    pack: string
    how: 'rename' | 'another'
    path?: string
    usual?: string
    start?: string
    like?: string
}>()
const emit = defineEmits<{ done: [path: string] }>()

const change = useChange(() => props.pack)
const place = ref(props.start ?? '')
const original = ref('')
const name = ref(props.usual ?? '')
const withRecipe = ref(false)
const { data: originals } = useQuery({
    queryKey: ['pack', () => props.pack, 'originals', place],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/entries/originals', {
                params: { path: { id: props.pack }, query: { place: place.value || undefined } },
            }),
        ),
    enabled: !props.path,
    placeholderData: (before) => before,
})
const chosen = computed(() => originals.value?.places.find((one) => one.place === place.value))
/** Tables of some places have one path. */
const hasName = computed(() => !!props.path || chosen.value?.hasName !== false)
const deed = computed(() => (!props.path && original.value === '' ? 'make' : props.how))
const asked = refDebounced(
    computed(() => ({
        how: deed.value,
        place: place.value,
        path: props.path ?? original.value,
        name: hasName.value ? name.value.trim() : '',
        recipe: withRecipe.value && deed.value === 'another',
    })),
    200,
)

const { data: plan } = useQuery({
    queryKey: ['pack', () => props.pack, 'name', asked],
    queryFn: () =>
        data(
            api.GET('/api/packs/{id}/entry/plan', {
                params: { path: { id: props.pack }, query: asked.value },
            }),
        ),
    enabled: () => (asked.value.path !== '' || asked.value.place !== '') && (asked.value.name !== '' || !hasName.value),
})
/** A recipe makes the original: said by the last plan, so that the field stays while the next is made. */
const hasRecipe = ref(false)
watch(plan, (now) => now && (hasRecipe.value = now.hasRecipe === true))
/** True where the plan is of what stands in the fields. */
const isReady = computed(
    () =>
        plan.value &&
        !plan.value.problem &&
        plan.value.lines.length > 0 &&
        asked.value.place === place.value &&
        asked.value.path === (props.path ?? original.value) &&
        asked.value.recipe === (withRecipe.value && deed.value === 'another') &&
        (!hasName.value || asked.value.name === name.value.trim()),
)
const title = computed(() =>
    props.how === 'rename' ? 'Rename everywhere' : props.path ? `Another like ${props.like ?? 'it'}` : 'New entry',
)

async function carryOut() {
    if (!isReady.value) return
    const { how, ...body } = asked.value
    const params = { path: { id: props.pack } }
    const made = await change.run(
        () =>
            how === 'rename'
                ? data(api.POST('/api/packs/{id}/entry/rename', { params, body }))
                : how === 'another'
                  ? data(api.POST('/api/packs/{id}/entry/another', { params, body }))
                  : data(api.POST('/api/packs/{id}/entry/make', { params, body })),
        () => (how === 'rename' ? 'Renamed.' : `${body.name || chosen.value?.title} is made.`),
    )
    if (!made) return
    isOpen.value = false
    emit('done', made.path)
}
</script>

<template>
    <UDialog v-model="isOpen" :title="title" is-wide>
        <form class="flex flex-col gap-4" @submit.prevent="carryOut">
            <template v-if="!path">
                <label>
                    <span class="font-semibold">What it is</span>
                    <select v-model="place" class="field mt-1" required data-test="new-place" @change="original = ''">
                        <option value="">choose …</option>
                        <option v-for="one in originals?.places ?? []" :key="one.place" :value="one.place">
                            {{ one.title }}
                        </option>
                    </select>
                </label>
                <label v-if="chosen?.isEntry !== false">
                    <span class="font-semibold">Made of</span>
                    <span class="text-faint text-small ml-2">{{
                        original
                            ? 'its files, fields and texts come along, for you to change'
                            : 'what it has to have, with the values that the base’s usually have'
                    }}</span>
                    <select v-model="original" class="field mt-1" :disabled="!place" data-test="new-original">
                        <option value="">none: only what it has to have</option>
                        <option v-for="one in originals?.entries ?? []" :key="one.path" :value="one.path">
                            {{ one.title }}{{ one.isYours ? ' (yours)' : '' }}
                        </option>
                    </select>
                </label>
            </template>
            <label v-if="hasName">
                <span class="font-semibold">Name</span>
                <span class="text-faint text-small ml-2">as in its path; the id follows</span>
                <input
                    v-model="name"
                    class="field mt-1 font-mono"
                    required
                    maxlength="120"
                    autocomplete="off"
                    spellcheck="false"
                    data-test="name"
                />
            </label>
            <label v-if="deed === 'another' && hasRecipe" class="flex items-baseline gap-2">
                <input v-model="withRecipe" type="checkbox" data-test="with-recipe" />
                <span>
                    With a recipe, after the one that makes the original
                    <span class="text-faint text-small block"
                        >it takes a little more of the first thing, so that the host tells them apart</span
                    >
                </span>
            </label>
            <p v-if="hasName && originals && originals.wanted.length > 0" class="text-small">
                Wanted by your files:
                <template v-for="one in originals.wanted.slice(0, 6)" :key="one.name">
                    <button type="button" class="word mr-3 font-mono" :title="one.for" @click="name = one.name">
                        {{ one.name }}
                    </button>
                </template>
            </p>
            <p v-if="plan?.problem && (asked.name || !hasName)" class="text-small" role="alert">
                <span class="text-madder" aria-hidden="true">▼ </span>{{ plan.problem }}
            </p>
            <PlanList v-else-if="plan && plan.lines.length > 0" :lines="plan.lines" />
            <div class="flex justify-end gap-3">
                <button type="button" class="press" @click="isOpen = false">Not now</button>
                <button type="submit" class="press press-main" :disabled="!isReady || change.isBusy.value">
                    {{ how === 'rename' ? 'Rename' : 'Make it' }}
                </button>
            </div>
        </form>
    </UDialog>
</template>
