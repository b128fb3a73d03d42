import { computed, inject, provide, toValue, type ComputedRef, type InjectionKey, type MaybeRefOrGetter } from 'vue'
import type { TakenView } from '@/api/client'

const key: InjectionKey<ComputedRef<ReadonlyMap<string, TakenView>>> = Symbol('what an entry has from others')

/** Lets every field of a form below know what the entry has from others. */
export const provideTaken = (taken: MaybeRefOrGetter<readonly TakenView[]>) =>
    provide(
        key,
        computed(() => new Map(toValue(taken).map((value) => [value.pointer, value]))),
    )

/** What an entry has from others, by pointer. */
export const useTaken = () =>
    inject(
        key,
        computed(() => new Map<string, TakenView>()),
    )
