<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** A texture on the triangle, with the region that the reading error leaves open. Clay rises, silt runs to the right. */
const props = defineProps<{ reading: Schema<'JarTexture'>; name?: string }>()
const SIDE = 300
const TALL = (SIDE * Math.sqrt(3)) / 2
const LEFT = 34
/** Clay and silt in percent to a place on the paper. */
const at = (clay: number, silt: number): [number, number] => [
    LEFT + ((silt + clay / 2) / 100) * SIDE,
    8 + TALL - (clay / 100) * TALL,
]
const path = (points: [number, number][]): string =>
    `M${points
        .map(([clay, silt]) =>
            at(clay, silt)
                .map((one) => one.toFixed(1))
                .join(' '),
        )
        .join('L')}Z`
const region = computed(() => props.reading.region.map(({ clay, silt }): [number, number] => [clay, silt]))
const place = computed(() => at(props.reading.clay, props.reading.silt))
const lines = [20, 40, 60, 80]
</script>

<template>
    <figure>
        <svg
            :viewBox="`0 0 ${SIDE + 68} ${TALL + 44}`"
            :width="SIDE + 68"
            :height="TALL + 44"
            role="img"
            :aria-label="
                `Texture triangle: ${reading.class}; sand ${number(reading.sand)}, silt ` +
                `${number(reading.silt)}, clay ${number(reading.clay)} percent of volume`
            "
        >
            <path
                v-for="one in reading.outlines"
                :key="one.class"
                :d="path(one.points.map(({ clay, silt }): [number, number] => [clay, silt]))"
                :class="{ its: one.class === reading.class }"
                class="class"
            />
            <g v-for="one in lines" :key="one" class="ticks">
                <text :x="at(one, 0)[0] - 6" :y="at(one, 0)[1] + 4" text-anchor="end">{{ one }}</text>
                <text :x="at(100 - one, one)[0] + 6" :y="at(100 - one, one)[1] + 2">{{ one }}</text>
                <text :x="at(0, 100 - one)[0]" :y="at(0, 0)[1] + 15" text-anchor="middle">{{ one }}</text>
            </g>
            <path
                :d="
                    path([
                        [0, 0],
                        [100, 0],
                        [0, 100],
                    ])
                "
                fill="none"
                stroke="var(--ink)"
                stroke-width="1.4"
            />
            <path v-if="region.length > 2" :d="path(region)" class="region" />
            <circle :cx="place[0]" :cy="place[1]" r="4.5" fill="var(--gley)" stroke="var(--sheet)" stroke-width="1.5" />
            <text x="40" y="90" transform="rotate(-60 60 110)">clay, %</text>
            <text :x="SIDE - 22" y="70" transform="rotate(60 300 90)">silt, %</text>
            <text :x="LEFT + SIDE / 2" :y="TALL + 40" text-anchor="middle">sand, %</text>
        </svg>
        <figcaption>
            <strong>{{ name ? `${name}, ` : '' }}{{ reading.class }}</strong
            >: sand {{ number(reading.sand) }} ({{ number(reading.ranges.sand.from) }}–{{
                number(reading.ranges.sand.to)
            }}), silt {{ number(reading.silt) }} ({{ number(reading.ranges.silt.from) }}–{{
                number(reading.ranges.silt.to)
            }}), clay {{ number(reading.clay) }} ({{ number(reading.ranges.clay.from) }}–{{
                number(reading.ranges.clay.to)
            }}) percent of volume.
            <template v-if="reading.classes.length > 1">
                Within the reading error it may also be {{ reading.classes.slice(1).join(', ') }}.</template
            >
            Settled layers are volumes, not masses: a lab’s shares differ.
        </figcaption>
    </figure>
</template>

<style scoped>
svg {
    max-width: 100%;
    height: auto;
}
figure {
    margin: 14px 0 0;
}
.class {
    fill: none;
    stroke: var(--line);
    stroke-width: 1;
}
.class.its {
    fill: var(--straw);
}
.region {
    fill: rgba(14, 90, 96, 0.18);
    stroke: var(--gley);
    stroke-dasharray: 3 2;
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
</style>
