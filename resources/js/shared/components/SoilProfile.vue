<script setup lang="ts">
import { useRoute } from 'vue-router'
import { HORIZONS } from '@/shared/horizons'

/** The way through the work: a soil profile whose current layer has been pulled out. */
defineProps<{ notes: Record<string, string> }>()
const route = useRoute()
</script>

<template>
    <nav class="profile" aria-label="The work, in its order">
        <div class="head">
            <svg viewBox="0 0 20 26" width="22" height="29" aria-hidden="true">
                <path d="M3 1.5h14" stroke="var(--ink)" stroke-width="2" />
                <path d="M5 2.5h10v16.5l-5 5.5-5-5.5z" fill="var(--sheet)" stroke="var(--ink)" stroke-width="1.4" />
                <path d="M5.700 5h8.600v5.500H5.700z" fill="#5C4128" />
                <path d="M5.700 10.500h8.600v5.500H5.700z" fill="#DAC498" />
            </svg>
            <span>
                Honest
                <br />
                Core
            </span>
        </div>
        <svg class="grass" viewBox="0 0 128 15" aria-hidden="true">
            <path
                v-for="i in 25"
                :key="i"
                :d="`M${i * 5} 15q${(i % 3) - 1} -${4 + ((i * 7) % 5)} ${((i * 5) % 7) - 3} -${6 + ((i * 11) % 8)}`"
                stroke="var(--ink)"
                fill="none"
            />
        </svg>
        <RouterLink
            v-for="(horizon, i) in HORIZONS"
            :key="horizon.key"
            :to="horizon.to"
            class="horizon"
            :class="{ current: route.meta.stage === horizon.key }"
            :aria-current="route.meta.stage === horizon.key ? 'page' : undefined"
            :style="{ '--fill': horizon.fill, '--text': horizon.text, flexGrow: horizon.grow, zIndex: 20 - i }"
        >
            <svg class="texture" viewBox="0 0 128 60" preserveAspectRatio="xMidYMid slice" aria-hidden="true">
                <path :d="horizon.texture" fill="none" stroke="currentColor" stroke-opacity=".22" />
            </svg>
            <svg class="edge" viewBox="0 0 128 30" preserveAspectRatio="none" aria-hidden="true">
                <path :d="`M0 0V12.5${horizon.edge.replace(/^M0 [\d.]+/, '')}V0Z`" fill="var(--now)" />
                <path
                    :d="horizon.edge"
                    fill="none"
                    stroke="#1B140C"
                    :stroke-opacity="route.meta.stage === horizon.key ? 0.9 : 0.55"
                />
            </svg>
            <svg
                v-if="route.meta.stage === horizon.key"
                class="sliver"
                viewBox="0 0 11 60"
                preserveAspectRatio="none"
                aria-hidden="true"
            >
                <path d="M0 0H7L9 9 6 17 10 26 7 36 9 45 6 53 8 60H0Z" :fill="horizon.fill" />
            </svg>
            <span class="label">{{ horizon.label }}</span>
            <span v-if="notes[horizon.key]" class="what">{{ notes[horizon.key] }}</span>
        </RouterLink>
    </nav>
</template>

<style scoped>
.profile {
    width: 128px;
    flex: none;
    display: flex;
    flex-direction: column;
    position: sticky;
    top: 0;
    height: 100vh;
    min-height: 620px;
    overflow: hidden;
}
.head {
    height: 56px;
    display: flex;
    align-items: center;
    gap: 9px;
    padding-left: 16px;
    font: 700 17px/1 var(--serif);
}
.grass {
    height: 15px;
    flex: none;
    margin-bottom: -1px;
}
.horizon {
    --now: var(--fill);
    position: relative;
    flex-basis: 40px;
    padding: 14px 8px 0 16px;
    background: var(--now);
    color: var(--text);
    text-decoration: none;
    display: flex;
    flex-direction: column;
    min-height: 44px;
}
.horizon:hover .label {
    text-decoration: underline;
    text-underline-offset: 3px;
}
.horizon:focus-visible {
    outline-offset: -4px;
    outline-color: currentColor;
}
.label {
    font-size: 14px;
    font-weight: 600;
    position: relative;
    line-height: 1.15;
}
.what {
    font-size: 11.5px;
    position: relative;
    line-height: 1.2;
}
.texture {
    position: absolute;
    inset: 6px 0 0;
    width: 100%;
    height: calc(100% - 6px);
}
.edge {
    position: absolute;
    left: 0;
    bottom: -26px;
    width: 128px;
    height: 30px;
    pointer-events: none;
}
.horizon:last-child .edge {
    display: none;
}
.sliver {
    position: absolute;
    left: 0;
    top: 0;
    height: 100%;
    width: 11px;
}
.current {
    --now: var(--paper);
    color: var(--ink);
}
.current .texture {
    display: none;
}
.current .label {
    font: 700 20px/1.1 var(--serif);
    padding-left: 10px;
}
.current .what {
    padding-left: 10px;
}
@media (max-width: 700px) {
    .profile {
        display: grid;
        grid-template-columns: repeat(6, minmax(0, 1fr));
        width: auto;
        height: auto;
        min-height: 0;
        position: static;
    }
    .head,
    .grass,
    .edge,
    .texture,
    .sliver,
    .what {
        display: none;
    }
    .horizon {
        padding: 12px 2px;
        min-height: 44px;
        text-align: center;
        font-size: 12.5px;
        font-stretch: 86%;
    }
    .current .label {
        padding: 0;
        font-size: 13.5px;
    }
}
</style>
