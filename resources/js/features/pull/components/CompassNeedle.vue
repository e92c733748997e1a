<script setup lang="ts">
/** The way to the next core, clockwise from north. */
defineProps<{ degrees: number | null }>()
</script>

<template>
    <svg
        viewBox="-80 -80 160 160"
        width="150"
        height="150"
        role="img"
        :aria-label="degrees === null ? 'start here' : `${Math.round(degrees)} degrees`"
    >
        <circle r="76" fill="var(--sheet)" stroke="var(--ink)" stroke-width="2" />
        <path
            v-for="i in 24"
            :key="i"
            d="M0 -75V-69"
            :transform="`rotate(${i * 15})`"
            stroke="var(--ink)"
            :stroke-width="i % 6 ? 1 : 3"
        />
        <text y="-52" text-anchor="middle" font-size="16" font-weight="700">N</text>
        <path
            v-if="degrees !== null"
            d="M0 -62 22 44 0 26 -22 44Z"
            fill="var(--gley)"
            stroke="var(--gley-deep)"
            :transform="`rotate(${degrees})`"
        />
        <circle v-else r="9" fill="var(--gley)" />
    </svg>
</template>
