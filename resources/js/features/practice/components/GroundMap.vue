<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'
import { fillOf, STEPS } from '../phScale'

/** The ground from above, west on the left: what its pH truly is, or what is believed of each area. */
const props = defineProps<{ reveal: Schema<'PracticeReveal'>; believed?: boolean }>()
const map = computed(() => props.reveal.map)
const WIDE = 400
const scale = computed(() => WIDE / map.value.width_m)
const high = computed(() => map.value.height_m * scale.value)
const x = (east: number): number => east * scale.value
const y = (north: number): number => high.value - north * scale.value
const step = computed(() => (map.value.width_m / map.value.columns) * scale.value)
const cells = computed(() =>
    map.value.ph.map((ph, i) => ({
        x: (i % map.value.columns) * step.value,
        y: high.value - (Math.floor(i / map.value.columns) + 1) * step.value,
        fill: fillOf(ph),
    })),
)
const outline = (ring: number[][]): string => ring.map(([east, north]) => `${x(east!)},${y(north!)}`).join(' ')
/** The middle of the box about it. */
const middle = (ring: number[][]): [number, number] => {
    const [xs, ys] = [ring.map(([east]) => x(east!)), ring.map(([, north]) => y(north!))]
    return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
}
const labels = computed(() =>
    props.reveal.areas.map((area) => {
        const [atX, atY] = middle(area.ring)
        const ph = props.believed ? area.believed : area.true
        return { name: area.name, x: atX, y: atY, ph: ph === null ? 'not known' : `pH ${number(ph, 2)}` }
    }),
)
const said = computed(
    () =>
        `${props.believed ? 'What was believed' : 'What is true'}: ` +
        labels.value.map(({ name, ph }) => `${name} ${ph}`).join('; '),
)
</script>

<template>
    <figure class="on-paper">
        <figcaption>{{ believed ? 'What was believed' : 'What is true' }}</figcaption>
        <svg :viewBox="`-1 -1 ${WIDE + 2} ${high + 2}`" role="img" :aria-label="said">
            <defs v-if="believed">
                <pattern id="unknown" width="8" height="8" patternUnits="userSpaceOnUse">
                    <path d="M0 8L8 0" stroke="#8f846f" stroke-width="1" />
                </pattern>
            </defs>
            <template v-if="!believed">
                <rect
                    v-for="(cell, i) in cells"
                    :key="i"
                    :x="cell.x"
                    :y="cell.y"
                    :width="step + 0.3"
                    :height="step + 0.3"
                    :fill="cell.fill"
                />
            </template>
            <rect v-else x="0" y="0" :width="WIDE" :height="high" fill="url(#unknown)" />
            <polygon
                v-for="area in reveal.areas"
                :key="area.name"
                :points="outline(area.ring)"
                :fill="believed ? (area.believed === null ? 'none' : fillOf(area.believed)) : 'none'"
                stroke="#221d17"
                stroke-width="1.5"
            />
            <template v-if="!believed">
                <line
                    :x1="x(map.line_m)"
                    :x2="x(map.line_m)"
                    y1="0"
                    :y2="high"
                    stroke="#221d17"
                    stroke-dasharray="6 4"
                    stroke-width="1.5"
                />
                <path
                    :d="`M0 ${y(map.strip_m[0]!)}H${WIDE}M0 ${y(map.strip_m[1]!)}H${WIDE}`"
                    stroke="#221d17"
                    stroke-dasharray="2 4"
                />
                <rect :x="x(map.wall_m[0]!) - 4" :y="y(map.wall_m[1]!) - 4" width="8" height="8" fill="#221d17" />
                <text :x="x(map.wall_m[0]!) - 8" :y="y(map.wall_m[1]!) + 4" text-anchor="end" class="what">wall</text>
                <text :x="6" :y="y((map.strip_m[0]! + map.strip_m[1]!) / 2) + 4" class="what">limed once</text>
                <text :x="6" :y="high - 5" class="what">gravel road</text>
            </template>
            <circle
                v-for="(core, i) in map.cores"
                :key="`core ${i}`"
                :cx="x(core[0]!)"
                :cy="y(core[1]!)"
                r="2.6"
                fill="#fbf8f0"
                stroke="#221d17"
            />
            <g v-for="label in labels" :key="label.name">
                <text :x="label.x" :y="label.y - 4" text-anchor="middle" class="name">{{ label.name }}</text>
                <text :x="label.x" :y="label.y + 14" text-anchor="middle" class="name">{{ label.ph }}</text>
            </g>
        </svg>
        <p class="legend">
            <span v-for="one in STEPS" :key="one.from"><i :style="{ background: one.fill }"></i>{{ one.label }}</span>
        </p>
    </figure>
</template>

<style scoped>
figure {
    margin: 0;
    background: #fbf8f0;
    color: #221d17;
    padding: 8px;
    border: 1px solid var(--rule);
}
figcaption {
    font-weight: 600;
    margin-bottom: 4px;
}
svg {
    width: 100%;
    display: block;
}
.name {
    font: 600 13px var(--sans);
    fill: #221d17;
    stroke: #fbf8f0;
    stroke-width: 3px;
    paint-order: stroke;
}
.what {
    font: 11px var(--sans);
    fill: #221d17;
    stroke: #fbf8f0;
    stroke-width: 3px;
    paint-order: stroke;
}
.legend {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 12px;
    margin: 6px 0 0;
    font-size: 12px;
}
.legend span {
    white-space: nowrap;
}
.legend i {
    display: inline-block;
    width: 12px;
    height: 12px;
    border: 1px solid #221d17;
    margin-right: 4px;
    vertical-align: -1px;
}
</style>
