<template>
    <!-- What bands of a kit and what is too high are filled with: url(#kit-hatch), url(#too-high-dots). -->
    <svg width="0" height="0" class="defs" aria-hidden="true">
        <defs>
            <pattern
                id="kit-hatch"
                width="4.5"
                height="4.5"
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(45)"
            >
                <path d="M0 0V4.5" stroke="var(--umber)" stroke-width="1.5" />
            </pattern>
            <pattern id="too-high-dots" width="6" height="6" patternUnits="userSpaceOnUse">
                <circle cx="1.5" cy="1.5" r=".9" fill="var(--line)" />
                <circle cx="4.5" cy="4.5" r=".9" fill="var(--line)" />
            </pattern>
        </defs>
    </svg>
</template>

<style scoped>
.defs {
    position: absolute;
}
</style>
