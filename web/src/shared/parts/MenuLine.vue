<script setup lang="ts">
import { MenuItem } from '@headlessui/vue'

/** A line of a menu that does something when it is pressed. */
</script>

<template>
    <MenuItem as="button" type="button" class="menu-line"><slot /></MenuItem>
</template>
