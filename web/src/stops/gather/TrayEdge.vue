<script setup lang="ts">
/** The tray's upper edge, by which it is made higher or lower: dragged, or by the arrow keys. */
const height = defineModel<number>({ required: true })
const [least, most, step] = [24, 88, 6]
const bounded = (value: number) => Math.round(Math.min(most, Math.max(least, value)))

function drag(event: PointerEvent) {
    const handle = event.currentTarget as HTMLElement
    const room = handle.parentElement!.parentElement!.getBoundingClientRect()
    handle.setPointerCapture(event.pointerId)
    const move = (now: PointerEvent) => (height.value = bounded(((room.bottom - now.clientY) / room.height) * 100))
    handle.addEventListener('pointermove', move)
    handle.addEventListener('lostpointercapture', () => handle.removeEventListener('pointermove', move), { once: true })
}
</script>

<template>
    <div
        class="hover:bg-ink focus-visible:bg-ink absolute inset-x-0 -top-[5px] z-10 h-2 cursor-row-resize touch-none opacity-40"
        role="separator"
        tabindex="0"
        aria-orientation="horizontal"
        aria-label="Height of the tray"
        :aria-valuenow="height"
        :aria-valuemin="least"
        :aria-valuemax="most"
        @pointerdown.prevent="drag"
        @keydown.up.prevent.stop="height = bounded(height + step)"
        @keydown.down.prevent.stop="height = bounded(height - step)"
    ></div>
</template>
