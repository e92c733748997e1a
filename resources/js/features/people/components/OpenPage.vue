<script setup lang="ts">
/** A page that needs nobody signed in. */
defineProps<{ title: string; lede?: string }>()
</script>

<template>
    <main id="main" class="open" tabindex="-1">
        <p class="name"><RouterLink to="/">Honest Core</RouterLink></p>
        <h1>{{ title }}</h1>
        <p v-if="lede" class="lede">{{ lede }}</p>
        <slot />
    </main>
</template>

<style scoped>
.open {
    max-width: 420px;
    margin: 0 auto;
    padding: 70px 18px 30px;
}
.name a {
    color: var(--ink-2);
    text-decoration: none;
}
</style>
