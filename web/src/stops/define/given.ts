import { inject, provide, type InjectionKey } from 'vue'
import type { ParametersView } from '@/api/client'

/** What every field of a form may ask of the entry around it. */
export interface Given {
    parameters: () => readonly ParametersView[]
    /** Whether a value is marked to be set later, and is still as it was. */
    isLater: (pointer: string) => boolean
    /** Marks values that were put in to hold a place. */
    markLater: (values: Record<string, unknown>) => void
}

const key: InjectionKey<Given> = Symbol('the entry around a field')
const nothing: Given = { parameters: () => [], isLater: () => false, markLater: () => {} }

/** Lets every field of a form below ask. */
export const provideGiven = (given: Given) => provide(key, given)
export const useGiven = () => inject(key, nothing)
