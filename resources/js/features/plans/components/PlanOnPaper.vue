<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { length, type Units } from '@/shared/format'

/** The plan on paper: boundary, keep-away, numbered cores, the walk, a scale and north. Drawn flat about the middle of the ground. */
const props = defineProps<{
    plan: Schema<'Plan'>
    composite: number
    units: Units
    here?: { longitude: number; latitude: number } | null
    next?: number | null
}>()
const WIDE = 640
const TALL = 470
const PAD = 24
const METRES_PER_DEGREE = 111_320
type Ring = [number, number][]
const rings = computed<Ring[]>(() => {
    const { type, coordinates } = props.plan.boundary as { type: string; coordinates: unknown }
    return (type === 'MultiPolygon' ? (coordinates as Ring[][]).flat() : (coordinates as Ring[])) ?? []
})
const frame = computed(() => {
    const all = rings.value.flat()
    const [lons, lats] = [all.map((p) => p[0]), all.map((p) => p[1])]
    const [west, east, south, north] = [Math.min(...lons), Math.max(...lons), Math.min(...lats), Math.max(...lats)]
    const squeeze = Math.cos(((south + north) / 2) * (Math.PI / 180))
    const metres = Math.max(
        ((east - west) * squeeze * METRES_PER_DEGREE) / (WIDE - 2 * PAD),
        ((north - south) * METRES_PER_DEGREE) / (TALL - 2 * PAD),
    )
    return { west, north, squeeze, metres }
})
const at = (lon: number, lat: number): [number, number] => [
    PAD + ((lon - frame.value.west) * frame.value.squeeze * METRES_PER_DEGREE) / frame.value.metres,
    PAD + ((frame.value.north - lat) * METRES_PER_DEGREE) / frame.value.metres,
]
const path = (line: Ring, close = false) =>
    line
        .map(
            (p, i) =>
                `${i ? 'L' : 'M'}${at(p[0], p[1])
                    .map((v) => v.toFixed(1))
                    .join(' ')}`,
        )
        .join('') + (close ? 'Z' : '')
const cores = computed(() => props.plan.layout.cores.filter((core) => core.composite === props.composite))
const outlines = computed(() =>
    props.plan.layout.composites.flatMap(({ number, outline }) =>
        outline.map((ring) => ({ number, d: path(ring as Ring) })),
    ),
)
const away = computed(() =>
    props.plan.spec.keep_away.map((one) => {
        const { type, coordinates } = one.geometry as { type: string; coordinates: unknown }
        const line =
            type === 'Point'
                ? [coordinates as [number, number], coordinates as [number, number]]
                : type === 'Polygon'
                  ? (coordinates as Ring[])[0]!
                  : (coordinates as Ring)
        return {
            name: one.name,
            d: path(line, type === 'Polygon'),
            width: Math.max(1, (2 * one.distance_m) / frame.value.metres),
        }
    }),
)
const bar = computed(() => {
    const wanted = frame.value.metres * 140
    const unit = props.units === 'us' ? 0.3048 : 1
    const nice = [10, 20, 50, 100, 200, 500, 1000, 2000, 5000].filter((n) => n * unit <= wanted).at(-1) ?? 5
    return { metres: nice * unit, px: (nice * unit) / frame.value.metres }
})
</script>

<template>
    <svg
        :viewBox="`0 0 ${WIDE} ${TALL}`"
        class="map"
        role="img"
        :aria-label="`Map of ${plan.area.name} with ${cores.length} numbered cores`"
    >
        <defs>
            <clipPath :id="`ground-${composite}`">
                <path :d="rings.map((ring) => path(ring, true)).join('')" clip-rule="evenodd" />
            </clipPath>
            <pattern
                :id="`hatch-${composite}`"
                width="5"
                height="5"
                patternUnits="userSpaceOnUse"
                patternTransform="rotate(45)"
            >
                <path d="M0 0V5" stroke="var(--umber)" stroke-width="1" />
            </pattern>
        </defs>
        <g :clip-path="`url(#ground-${composite})`">
            <path
                v-for="one in away"
                :key="one.name"
                :d="one.d"
                fill="none"
                :stroke="`url(#hatch-${composite})`"
                :stroke-width="one.width"
                stroke-linecap="round"
                stroke-linejoin="round"
            />
            <path
                v-for="(one, i) in outlines"
                :key="`o${i}`"
                :d="one.d"
                fill="none"
                stroke="var(--ink)"
                :stroke-width="one.number === composite ? 1.6 : 0.5"
                stroke-dasharray="5 3"
            />
            <path
                v-for="(ring, i) in rings"
                :key="i"
                :d="path(ring, true)"
                fill="none"
                :stroke="`url(#hatch-${composite})`"
                :stroke-width="Math.max(0.01, (2 * plan.spec.edge_m) / frame.metres)"
            />
        </g>
        <path
            v-for="(ring, i) in rings"
            :key="`r${i}`"
            :d="path(ring, true)"
            fill="none"
            stroke="var(--ink)"
            stroke-width="2"
        />
        <path
            :d="path(cores.map((core) => [core.longitude, core.latitude]))"
            fill="none"
            stroke="var(--gley)"
            stroke-width="1.3"
        />
        <g
            v-for="core in cores"
            :key="core.sequence"
            :transform="`translate(${at(core.longitude, core.latitude).join(' ')})`"
        >
            <circle
                r="9"
                :fill="core.sequence === next ? 'var(--gley)' : '#fff'"
                stroke="var(--gley)"
                stroke-width="1.6"
            />
            <text y="4" text-anchor="middle" :fill="core.sequence === next ? '#fff' : undefined">
                {{ core.sequence }}
            </text>
        </g>
        <g v-if="here" :transform="`translate(${at(here.longitude, here.latitude).join(' ')})`">
            <circle r="14" fill="none" stroke="var(--ink)" stroke-width="2" />
            <path d="M-18 0h36M0 -18v36" stroke="var(--ink)" stroke-width="2" />
            <text y="-20" text-anchor="middle">you</text>
        </g>
        <g :transform="`translate(${PAD} ${TALL - 12})`">
            <path :d="`M0 -5V0H${bar.px}V-5`" fill="none" stroke="var(--ink)" stroke-width="1.4" />
            <text :x="bar.px + 6" y="2">{{ length(bar.metres, units) }}</text>
        </g>
        <g :transform="`translate(${WIDE - 26} ${TALL - 48})`">
            <path d="M0 0 6 28 0 23 -6 28Z" fill="var(--ink)" />
            <text y="42" text-anchor="middle">N</text>
        </g>
    </svg>
</template>

<style scoped>
.map {
    width: 100%;
    border: 1px solid var(--ink);
    background: #fff;
}
text {
    font: 600 11px var(--sans);
}
</style>
