<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { usePreferences } from '@/shared/composables/usePreferences'

/** One picture, enlarged pixel by pixel; from 8x on a grid tells the pixels apart. */
const props = defineProps<{
    side: {
        title: string
        url: string
        size: { width: number; height: number } | null
        says: string
        problem: string | null
    }
    factor: number
}>()
const preferences = usePreferences()
const scroll = defineModel<{ left: number; top: number }>('scroll', { required: true })

const box = ref<HTMLElement>()
const natural = ref<{ width: number; height: number } | null>(null)
const failed = ref(false)
watch(
    () => props.side.url,
    () => (failed.value = false),
)
const size = computed(() => props.side.size ?? natural.value)
const style = computed(() =>
    size.value
        ? { width: `${size.value.width * props.factor}px`, height: `${size.value.height * props.factor}px` }
        : {},
)
watch([scroll, () => props.factor], () => {
    if (!box.value) return
    if (Math.abs(box.value.scrollLeft - scroll.value.left) > 1) box.value.scrollLeft = scroll.value.left
    if (Math.abs(box.value.scrollTop - scroll.value.top) > 1) box.value.scrollTop = scroll.value.top
})

const onScroll = () => (scroll.value = { left: box.value!.scrollLeft, top: box.value!.scrollTop })
function onLoad(event: Event) {
    const image = event.target as HTMLImageElement
    natural.value = { width: image.naturalWidth, height: image.naturalHeight }
}
</script>

<template>
    <figure class="border-line bg-paper flex min-w-0 flex-1 flex-col border">
        <figcaption class="flex items-baseline justify-between gap-3 px-3 py-1.5">
            <span class="font-bold">{{ side.title }}</span>
            <span class="text-small truncate font-mono">{{ side.says }}</span>
        </figcaption>
        <p v-if="side.problem || failed" class="px-3 py-6" role="alert">
            <span class="text-madder" aria-hidden="true">▼ </span>This picture cannot be read{{
                side.problem ? `: ${side.problem}` : ''
            }}.
        </p>
        <div
            v-else
            ref="box"
            class="min-h-0 flex-1 overflow-auto"
            tabindex="0"
            role="region"
            :aria-label="`${side.title}, enlarged`"
            @scroll.passive="onScroll"
        >
            <div class="flex min-h-full min-w-full items-center justify-center p-3" style="width: max-content">
                <div class="ground relative" :class="preferences.ground" :style="style">
                    <img
                        :src="side.url"
                        :alt="side.title"
                        class="pixels h-full w-full max-w-none"
                        :class="factor < 1 ? 'smooth' : ''"
                        @load="onLoad"
                        @error="failed = true"
                    />
                    <div
                        v-if="factor >= 8"
                        class="grid-lines pointer-events-none absolute inset-0"
                        :style="{ backgroundSize: `${factor}px ${factor}px` }"
                        aria-hidden="true"
                    ></div>
                </div>
            </div>
        </div>
    </figure>
</template>

<style scoped>
.ground {
    outline: 1px dashed var(--edge);
    outline-offset: 0;
}

/* What lies behind clear pixels, the same in both themes. */
.ground.light {
    background: #fafcfb;
}

.ground.dark {
    background: #15292d;
}

.ground.loud {
    background: #ff2fd6;
}

.smooth {
    image-rendering: auto;
}

.grid-lines {
    background-image:
        linear-gradient(to right, rgb(125 146 150 / 35%) 1px, transparent 1px),
        linear-gradient(to bottom, rgb(125 146 150 / 35%) 1px, transparent 1px);
}
</style>
