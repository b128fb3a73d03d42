<template>
    <main class="max-w-2xl px-6 py-10">
        <h1 class="text-large font-semibold">There is nothing at this address</h1>
        <p class="text-faint mt-1">
            It may be mistyped, or the pack was deleted.
            <router-link class="word" :to="{ name: 'packs' }">See all packs</router-link>
        </p>
    </main>
</template>
