<script setup lang="ts">
import { computed } from 'vue'
import { amountOf } from '../eventAmount'
import type { Schema } from '@/api/client'
import { day, number } from '@/shared/format'

/** The days that were read, as marks that no line joins, with the rain hanging from above and what was spread below. */
const props = defineProps<{ transects: Schema<'Transect'>[]; events: Schema<'GroundEvent'>[]; chosen: number | null }>()
const emit = defineEmits<{ choose: [id: number] }>()
const WIDE = 620
const TALL = 150
const DAY = 86_400_000
const MM_PER_INCH = 25.4
const ms = (text: string): number => Date.parse(`${text}T12:00:00Z`)
const days = computed(() => [
    ...props.transects.map(({ read_on }) => ms(read_on)),
    ...props.events.map(({ on }) => ms(on)),
])
const [from, to] = [
    computed(() => Math.min(...days.value) - 3 * DAY),
    computed(() => Math.max(...days.value) + 3 * DAY),
]
const x = (text: string): number => 34 + ((ms(text) - from.value) / (to.value - from.value)) * (WIDE - 50)
const most = computed(() => Math.max(10, ...props.transects.map((one) => one.mean_across ?? one.places[0]?.mean ?? 0)))
const y = (ppm: number): number => 112 - (ppm / most.value) * 66
const mm = (event: Schema<'GroundEvent'>): number => (event.unit === 'in' ? event.amount * MM_PER_INCH : event.amount)
const wettest = computed(() => Math.max(10, ...props.events.filter(({ kind }) => kind === 'rain').map(mm)))
</script>

<template>
    <figure>
        <svg
            :viewBox="`0 0 ${WIDE} ${TALL}`"
            :width="WIDE"
            :height="TALL"
            role="img"
            aria-label="Transects in time, with rain and what was spread"
        >
            <path :d="`M30 112H${WIDE}`" stroke="var(--ink)" stroke-width="1.1" />
            <g v-for="(event, i) in events" :key="i">
                <rect
                    v-if="event.kind === 'rain'"
                    :x="x(event.on) - 3"
                    y="0"
                    width="6"
                    :height="(mm(event) / wettest) * 34"
                    fill="var(--line)"
                />
                <path
                    v-else-if="event.kind === 'application'"
                    :d="`M${x(event.on)} 116l-5 9h10z`"
                    fill="var(--umber)"
                />
                <path
                    v-else
                    :d="`M${x(event.on)} 115l5 5-5 5-5-5z`"
                    fill="none"
                    stroke="var(--oxide)"
                    stroke-width="1.4"
                />
                <title>
                    {{ day(event.on) }}: {{ event.kind === 'rain' ? 'rain' : event.what }}, {{ amountOf(event) }}
                </title>
            </g>
            <g v-for="one in transects" :key="one.id" class="mark" @click="emit('choose', one.id)">
                <path
                    :d="`M${x(one.read_on)} 112V${y(one.mean_across ?? one.places[0]?.mean ?? 0)}`"
                    stroke="var(--gley)"
                    stroke-dasharray="2 3"
                />
                <circle
                    :cx="x(one.read_on)"
                    :cy="y(one.mean_across ?? one.places[0]?.mean ?? 0)"
                    r="5.5"
                    :fill="one.id === chosen ? 'var(--gley)' : 'var(--sheet)'"
                    stroke="var(--gley)"
                    stroke-width="1.6"
                />
                <text :x="x(one.read_on)" y="142" text-anchor="middle">
                    {{ day(one.read_on).replace(/ \d{4}$/, '') }}
                </text>
            </g>
            <text x="0" y="10">rain</text>
            <text x="0" :y="116">ppm</text>
        </svg>
        <figcaption class="row">
            <button
                v-for="one in transects"
                :key="one.id"
                type="button"
                class="link"
                :aria-pressed="one.id === chosen"
                @click="emit('choose', one.id)"
            >
                {{ day(one.read_on) }}, {{ number(one.mean_across ?? one.places[0]?.mean, 1) }} ppm
            </button>
        </figcaption>
    </figure>
</template>

<style scoped>
svg {
    max-width: 100%;
    height: auto;
}
figure {
    margin: 14px 0;
}
.mark {
    cursor: pointer;
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
</style>
