<script setup lang="ts">
import { computed } from 'vue'
import { depth, siteUnits } from '@/shared/format'

/** How deep, and into which tub each layer goes: the tubs differ in shape, not in colour alone. */
const props = defineProps<{ layers: string[] }>()
const CM_PER_INCH = 2.54
const TALL = 112
const SHAPES = ['round tub', 'square tub', 'tall tub', 'lidded tub']
const FILLS = ['#5C4128', '#DCC79C', '#BC9355', 'var(--line)']
const read = computed(() =>
    props.layers.map((text) => {
        const [, top = '0', bottom = '15', unit = 'cm'] = /^([\d.]+)-([\d.]+)(in|cm)$/.exec(text) ?? []
        const cm = unit === 'in' ? CM_PER_INCH : 1
        const told = unit === 'in' && siteUnits.value === 'metric' ? Math.round(Number(bottom) * cm) : bottom
        return { text, top: Number(top) * cm, bottom: Number(bottom) * cm, mark: `${told}` }
    }),
)
const deepest = computed(() => Math.max(...read.value.map((one) => one.bottom)) * 1.5)
const y = (cm: number): number => 8 + (cm / deepest.value) * TALL
</script>

<template>
    <svg
        viewBox="0 0 358 130"
        class="depths"
        role="img"
        :aria-label="`Pull to full depth: ${layers.map(depth).join(', then ')}`"
    >
        <path :d="`M40 8V${TALL}L54 ${TALL + 14} 68 ${TALL}V8`" class="core" />
        <path d="M34 8h40M44 8l-3-5M54 8l2-6M64 8l3-5" class="top" />
        <g v-for="(one, i) in read" :key="one.text">
            <rect
                x="41"
                :y="y(one.top)"
                width="26"
                :height="y(one.bottom) - y(one.top)"
                :fill="FILLS[i % 4]"
                stroke="var(--ink)"
            />
            <text x="30" :y="y(one.bottom) + 5" text-anchor="end" class="mark">{{ one.mark }}</text>
            <path
                :d="`M68 ${(y(one.top) + y(one.bottom)) / 2}C96 ${(y(one.top) + y(one.bottom)) / 2} 96 ${30 + i * 44} 124 ${30 + i * 44}`"
                class="lead"
            />
            <text x="130" :y="36 + i * 44" class="name">{{ depth(one.text) }}</text>
            <template v-if="read.length > 1">
                <circle v-if="i % 4 === 0" cx="240" :cy="30 + i * 44" r="8" :fill="FILLS[i % 4]" stroke="var(--ink)" />
                <rect
                    v-else-if="i % 4 === 1"
                    x="232"
                    :y="22 + i * 44"
                    width="16"
                    height="16"
                    :fill="FILLS[i % 4]"
                    stroke="var(--ink)"
                />
                <rect
                    v-else-if="i % 4 === 2"
                    x="235"
                    :y="19 + i * 44"
                    width="10"
                    height="22"
                    :fill="FILLS[i % 4]"
                    stroke="var(--ink)"
                />
                <path
                    v-else
                    :d="`M230 ${24 + i * 44}h20M233 ${24 + i * 44}v14h14v-14`"
                    :fill="FILLS[i % 4]"
                    stroke="var(--ink)"
                />
                <text x="258" :y="35 + i * 44">{{ SHAPES[i % 4] }}</text>
            </template>
            <text v-else x="236" y="36">full depth</text>
        </g>
    </svg>
</template>

<style scoped>
.depths {
    display: block;
    width: 100%;
    max-height: 130px;
}
text {
    font: 500 15px var(--sans);
}
.name {
    font: 700 18px var(--sans);
}
.mark {
    font: 700 15px var(--sans);
}
.core {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.6;
}
.top,
.lead {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.6;
}
.lead {
    stroke: var(--umber);
}
</style>
