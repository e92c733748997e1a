<script setup lang="ts">
import LineBanner from './LineBanner.vue'

/** A page for one hand in the field: its title, the way back, whether there is a line, and what it is about. */
defineProps<{ title: string; back: string; backWords: string }>()
</script>

<template>
    <div class="phone">
        <header>
            <RouterLink :to="back" class="back" :aria-label="backWords">‹</RouterLink>
            <div>
                <h1>{{ title }}</h1>
                <slot name="under" />
            </div>
            <svg class="wave" viewBox="0 0 390 14" preserveAspectRatio="none" aria-hidden="true">
                <path d="M0 0H390V6C340 14 300 2 240 7S140 13 90 6 30 9 0 5Z" fill="#2B2119" />
            </svg>
        </header>
        <LineBanner />
        <main id="main" tabindex="-1"><slot /></main>
    </div>
</template>

<style scoped>
.phone {
    max-width: 480px;
    margin: auto;
    min-height: 100vh;
    font-size: 16px;
}
header {
    background: #2b2119;
    color: #f4f0e6;
    padding: 22px 16px 16px;
    display: flex;
    gap: 8px;
    align-items: center;
    position: relative;
}
header h1 {
    font-size: 27px;
}
header :slotted(p) {
    margin: 2px 0 0;
}
.wave {
    position: absolute;
    left: 0;
    bottom: -13px;
    width: 100%;
    height: 14px;
}
.back {
    width: 44px;
    height: 52px;
    display: grid;
    place-items: center;
    color: inherit;
    font-size: 40px;
    line-height: 1;
    text-decoration: none;
}
.back:focus-visible {
    outline-color: #f4f0e6;
}
main {
    padding: 24px 16px 16px;
}
</style>
