<script setup lang="ts">
import { autoUpdate, flip, offset, shift, size, useFloating, type Placement } from '@floating-ui/vue'
import { Menu, MenuButton, MenuItems } from '@headlessui/vue'
import { ref, type ComponentPublicInstance } from 'vue'

/** A button with a menu of lines, which opens where the window has room for it and scrolls where it has not enough. */
const props = withDefaults(defineProps<{ placement?: Placement; width?: string }>(), {
    placement: 'bottom-start',
    width: 'w-80',
})
defineOptions({ inheritAttrs: false })

const margin = 8
const button = ref<ComponentPublicInstance>()
const sheet = ref<ComponentPublicInstance>()
const { floatingStyles } = useFloating(button, sheet, {
    placement: () => props.placement,
    strategy: 'fixed',
    transform: false,
    whileElementsMounted: autoUpdate,
    middleware: [
        offset(4),
        flip({ padding: margin }),
        shift({ padding: margin }),
        size({
            padding: margin,
            apply: ({ availableHeight, elements }) => {
                elements.floating.style.maxHeight = `${Math.max(120, availableHeight)}px`
            },
        }),
    ],
})
</script>

<template>
    <Menu>
        <MenuButton ref="button" v-bind="$attrs"><slot name="button" /></MenuButton>
        <!-- Rows and panes clip what they hold. -->
        <Teleport to="body">
            <MenuItems
                ref="sheet"
                class="border-ink bg-paper rounded-card z-30 overflow-y-auto border py-1 outline-none"
                :class="width"
                :style="floatingStyles"
            >
                <slot />
            </MenuItems>
        </Teleport>
    </Menu>
</template>
