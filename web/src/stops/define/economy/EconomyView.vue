<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, data } from '@/api/client'
import { useFindings, usePack } from '@/shared/composables/usePack'
import { useQueryValue } from '@/shared/composables/useQueryValue'
import { worstOf } from '@/shared/ledger'
import StateNote from '@/shared/parts/StateNote.vue'
import { count } from '@/shared/words'
import NameDialog from '../NameDialog.vue'
import GoodList from './GoodList.vue'
import EconomySection from './EconomySection.vue'
import { isChanged } from './words'

/** What is made of what in the stack, and what the pack changes in it. */
const props = defineProps<{ id: string }>()
const router = useRouter()
const words = useQueryValue('words')
const which = useQueryValue('goods')
const good = useQueryValue('good')
const { data: pack } = usePack(() => props.id)
const { data: findings } = useFindings(() => props.id)
const {
    data: economy,
    error,
    isPending,
    refetch,
} = useQuery({
    queryKey: ['pack', () => props.id, 'economy'],
    queryFn: () => data(api.GET('/api/packs/{id}/economy', { params: { path: { id: props.id } } })),
    placeholderData: (before) => before,
})
const changed = computed(() => economy.value?.goods.filter(isChanged) ?? [])
/** What the pack changes, where it changes anything and nobody asked for all. */
const isAll = computed(() => which.value === 'all' || changed.value.length === 0)
const goods = computed(() => {
    const wanted = words.value.trim().toLowerCase()
    return (isAll.value ? (economy.value?.goods ?? []) : changed.value).filter((one) =>
        `${one.title} ${one.id}`.toLowerCase().includes(wanted),
    )
})
const chosen = computed(() => {
    const all = economy.value?.goods ?? []
    const first = goods.value.find((one) => one.path) ?? goods.value[0] ?? all[0]
    return (all.find((one) => one.key === good.value) ?? first)?.key ?? ''
})
const isUnmade = computed(() => {
    const one = economy.value?.goods.find(({ key }) => key === chosen.value)
    return (
        one &&
        !one.isBought &&
        !economy.value?.recipes.some(({ makes }) => makes.some(({ shown }) => shown === one.key))
    )
})
const isMaking = ref(false)
const byPath = computed(() =>
    Map.groupBy(
        (findings.value?.rows ?? []).filter((finding) => finding.name.code.startsWith('recipe/')),
        (finding) => finding.name.path,
    ),
)
const told = computed(() => [...byPath.value.values()].flat())
const open = (path: string) => router.push({ name: 'define', params: { id: props.id }, query: { path } })
</script>

<template>
    <StateNote v-if="isPending || (error && !economy)" :is-loading="isPending" :problem="error" @again="refetch" />
    <StateNote v-else-if="!economy || economy.recipes.length === 0" title="Nothing is made here">
        This host has no recipes, or neither its base nor your pack has one that can be read.
    </StateNote>
    <div v-else class="flex h-full max-[1000px]:flex-col">
        <div class="border-line flex w-[320px] shrink-0 flex-col border-r max-[1000px]:h-[40%] max-[1000px]:w-full">
            <div class="px-5 py-3">
                <input
                    v-model="words"
                    class="field"
                    type="search"
                    :placeholder="`Find in ${goods.length}`"
                    aria-label="Find goods by name or id"
                />
                <div class="text-small mt-2 flex gap-4" role="radiogroup" aria-label="Which goods">
                    <label><input type="radio" name="goods" :checked="isAll" @change="which = 'all'" /> All</label>
                    <label
                        ><input
                            type="radio"
                            name="goods"
                            :checked="!isAll"
                            :disabled="changed.length === 0"
                            @change="which = ''"
                        />
                        Changed by the pack ({{ changed.length }})</label
                    >
                </div>
            </div>
            <GoodList
                v-if="pack"
                :pack="id"
                :summary="pack.summary"
                :goods="goods"
                :chosen="chosen"
                @choose="good = $event"
            />
            <p v-if="goods.length === 0" class="text-faint px-5">Nothing is called that.</p>
        </div>
        <div class="flex min-h-0 min-w-0 grow flex-col">
            <ul
                v-if="told.length > 0"
                class="border-line max-h-32 overflow-y-auto border-b px-6 py-2"
                :aria-label="count(told.length, 'finding')"
            >
                <li v-for="finding in told" :key="finding.name.path + finding.message" class="text-small py-0.5">
                    <button type="button" class="word mr-2" @click="open(finding.name.path)">
                        {{ finding.name.path }}</button>{{ finding.message }}
                </li>
            </ul>
            <p v-if="isUnmade" class="px-6 pt-3">
                No recipe makes it.
                <button type="button" class="word" @click="isMaking = true">Make one of another’s</button>, and let it
                make this.
            </p>
            <NameDialog
                v-if="isMaking"
                v-model="isMaking"
                :pack="id"
                how="another"
                :start="economy.recipes[0]?.place"
                @done="open"
            />
            <EconomySection
                v-if="pack && chosen"
                class="min-h-0 grow"
                :pack="id"
                :summary="pack.summary"
                :economy="economy"
                :chosen="chosen"
                :worst="(at) => worstOf(byPath.get(at) ?? [])"
                @choose="good = $event"
                @open="open"
            />
        </div>
    </div>
</template>
