<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schema } from '@/api/client'
import OneOf from '@/shared/components/OneOf.vue'
import { rate, type Units } from '@/shared/format'
import { middleOf, type Point } from '../middle'

/** The parts of an area with the rate of one product written in each, hatched closer the more there is; zero is a rate. */
const props = defineProps<{ parts: Schema<'ProgramPart'>[]; units: Units }>()
type Ring = Point[]
const WIDTH = 620
const HEIGHT = 380
const EDGE = 14
const GAPS = [16, 11, 7.5, 5] as const

const products = computed(() => {
    const found = new Map<string, string>()
    for (const part of props.parts) for (const one of part.amounts) found.set(one.product, one.name)
    return [...found]
})
const picked = ref('')
/** To begin with, one whose rate is not the same everywhere. */
const first = computed(
    () =>
        products.value.find(([code]) => new Set(props.parts.map((part) => pounds(part, code))).size > 1) ??
        products.value[0],
)
const product = computed<string>({
    get: () => (products.value.some(([code]) => code === picked.value) ? picked.value : (first.value?.[0] ?? '')),
    set: (code) => (picked.value = code),
})
const pounds = (part: Schema<'ProgramPart'>, code: string): number =>
    part.amounts.find((one) => one.product === code)?.lb_per_acre ?? 0
const rings = (part: Schema<'ProgramPart'>): Ring[][] => {
    const { type, coordinates } = part.geometry as { type: string; coordinates: Ring[] | Ring[][] }
    return type === 'Polygon' ? [coordinates as Ring[]] : (coordinates as Ring[][])
}
const scale = computed(() => {
    const points = props.parts.flatMap((part) => rings(part).flat(2))
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
    const [west, east, south, north] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
    const shrink = Math.cos(((south + north) / 2) * (Math.PI / 180))
    const by = Math.min((WIDTH - 2 * EDGE) / ((east - west) * shrink), (HEIGHT - 2 * EDGE) / (north - south))
    return {
        x: (lon: number) => EDGE + (lon - west) * shrink * by,
        y: (lat: number) => EDGE + (north - lat) * by,
        height: (north - south) * by + 2 * EDGE,
        width: (east - west) * shrink * by + 2 * EDGE,
    }
})
const path = (part: Schema<'ProgramPart'>): string =>
    rings(part)
        .flat()
        .map(
            (ring) =>
                `M${ring.map(([x, y]) => `${scale.value.x(x).toFixed(1)} ${scale.value.y(y).toFixed(1)}`).join('L')}Z`,
        )
        .join('')
/** Where the figure stands. */
const middle = (part: Schema<'ProgramPart'>): Point =>
    middleOf(
        rings(part).map((polygon) =>
            polygon.map((ring) => ring.map(([x, y]): Point => [scale.value.x(x), scale.value.y(y)])),
        ),
    )
const of = (part: Schema<'ProgramPart'>): number => pounds(part, product.value)
const classes = computed(() => [...new Set(props.parts.map(of).filter((one) => one > 0))].sort((a, b) => a - b))
const gap = (pounds: number): number =>
    GAPS[
        Math.min(
            GAPS.length - 1,
            Math.floor((classes.value.indexOf(pounds) * GAPS.length) / Math.max(1, classes.value.length)),
        )
    ] ?? GAPS[0]
</script>

<template>
    <section class="step">
        <div class="title">
            <h2>Rate map</h2>
            <OneOf
                v-if="products.length > 1"
                v-model="product"
                class="no-print"
                :options="products"
                aria-label="Product on the map"
            />
        </div>
        <p v-if="!products.length" class="note">Nothing is spread on any part.</p>
        <svg
            v-else
            :viewBox="`0 0 ${scale.width} ${scale.height}`"
            :style="{ maxWidth: `${scale.width}px` }"
            role="img"
            :aria-label="`${products.find(([code]) => code === product)?.[1]} by part`"
        >
            <defs>
                <pattern
                    v-for="one in classes"
                    :id="`rate-${Math.round(one * 10)}`"
                    :key="one"
                    patternUnits="userSpaceOnUse"
                    :width="gap(one)"
                    :height="gap(one)"
                    patternTransform="rotate(45)"
                >
                    <line x1="0" y1="0" x2="0" :y2="gap(one)" stroke="var(--umber)" stroke-width="1.5" />
                </pattern>
            </defs>
            <g v-for="part in parts" :key="part.number">
                <path
                    :d="path(part)"
                    fill-rule="evenodd"
                    :fill="of(part) > 0 ? `url(#rate-${Math.round(of(part) * 10)})` : 'var(--sheet)'"
                    stroke="var(--ink)"
                    stroke-width="1.2"
                />
                <text :x="middle(part)[0]" :y="middle(part)[1]" class="figure">
                    {{ of(part) > 0 ? rate(of(part), units).value : '0' }}
                </text>
                <text :x="middle(part)[0]" :y="middle(part)[1] + 15" class="name">part {{ part.number }}</text>
            </g>
        </svg>
        <p v-if="products.length" class="note">
            {{ products.find(([code]) => code === product)?.[1] }}, {{ units === 'metric' ? 'kg/ha' : 'lb/acre' }}.
            North is up; nothing is smoothed between parts.
        </p>
    </section>
</template>

<style scoped>
.step {
    border-top: 1px solid var(--ink);
    padding: 8px 0 12px;
}
.title {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 16px;
    margin-bottom: 8px;
}
.title .one {
    width: 260px;
}
svg {
    display: block;
    width: 100%;
    height: auto;
}
text {
    text-anchor: middle;
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 5px;
    stroke-linejoin: round;
}
.figure {
    font: 700 20px var(--serif);
    font-feature-settings: 'lnum';
}
.name {
    font: italic 500 13px var(--serif);
}
</style>
