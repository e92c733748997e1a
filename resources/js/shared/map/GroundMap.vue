<script setup lang="ts">
import 'ol/ol.css'
import { computed, onMounted, ref, useId, watch } from 'vue'
import type { Units } from '@/shared/format'
import type { Picture } from './underlay'
import {
    useGroundMap,
    type DrawKind,
    type GeometryJson,
    type Ground,
    type KeptAway,
    type Part,
    type Place,
} from './useGroundMap'

const props = withDefaults(
    defineProps<{
        label: string
        units: Units
        centre: [number, number]
        areas: Ground[]
        chosen?: number | null
        marks?: { name: string; geometry: GeometryJson }[]
        away?: KeptAway[]
        edgeM?: number
        cores?: Place[]
        parts?: Part[]
        draft?: GeometryJson | null
        pictures?: Picture[]
        mode?: 'look' | 'modify' | DrawKind
        fitTo?: 'all' | 'chosen'
    }>(),
    {
        chosen: null,
        marks: () => [],
        away: () => [],
        edgeM: 0,
        cores: () => [],
        parts: () => [],
        draft: null,
        pictures: () => [],
        mode: 'look',
        fitTo: 'all',
    },
)
const emit = defineEmits<{
    choose: [id: number]
    drawn: [geometry: GeometryJson]
    sketched: [geometry: GeometryJson]
}>()
const box = ref<HTMLElement | null>(null)
let own: GeometryJson | null = null
const map = useGroundMap(box, {
    chose: (id) => emit('choose', id),
    sketched: (geometry) => emit('sketched', geometry),
    drew: (geometry) => {
        own = geometry
        emit('drawn', geometry)
    },
})

const drawAreas = () => map.showAreas(props.areas, props.chosen)
const drawAway = () => {
    const boundary = props.areas.find((area) => area.id === props.chosen)?.boundary ?? null
    map.showAway(props.away, props.edgeM, boundary)
}

function setMode(mode: typeof props.mode): void {
    if (mode === 'look') map.stop()
    else if (mode === 'modify') map.modify()
    else map.draw(mode)
}

onMounted(() => {
    map.build(props.units, props.centre)
    drawAreas()
    drawAway()
    map.showMarks(props.marks)
    map.showCores(props.cores)
    map.showDraft(props.draft)
    map.showPictures(props.pictures)
    map.showParts(props.parts, props.cores)
    watch(() => props.pictures, map.showPictures)
    watch([() => props.parts, () => props.cores], ([grounds, places]) => map.showParts(grounds, places))
    setMode(props.mode)
    requestAnimationFrame(() => map.fit(props.fitTo))
    watch(() => [props.areas, props.chosen], drawAreas)
    watch(() => [props.away, props.edgeM, props.areas, props.chosen], drawAway, { deep: true })
    watch(() => props.marks, map.showMarks)
    watch(() => props.cores, map.showCores)
    watch(
        () => props.draft,
        (draft) => {
            if (draft !== own) map.showDraft(draft)
        },
    )
    watch(() => props.mode, setMode)
    watch(
        () => [props.fitTo === 'chosen' ? props.chosen : null, props.areas.length],
        () => map.fit(props.fitTo),
    )
})
const keys = useId()
const isDrawing = computed(() => props.mode !== 'look' && props.mode !== 'modify')
defineExpose({ pixelOf: map.pixelOf })
</script>

<template>
    <div class="ground on-paper">
        <div
            ref="box"
            class="map"
            tabindex="0"
            role="application"
            :aria-label="label"
            :aria-describedby="isDrawing ? keys : undefined"
        ></div>
        <template v-if="isDrawing">
            <svg class="cross" viewBox="0 0 40 40" width="40" height="40" aria-hidden="true">
                <path d="M20 2V17M20 23V38M2 20H17M23 20H38" stroke="#221D17" stroke-width="1.6" />
            </svg>
            <p :id="keys" class="keys">
                Arrows move the ground under the cross, with Shift further; Enter sets a
                {{ mode === 'Point' ? 'place' : 'corner, and again ends' }}; Backspace takes the last back.
            </p>
        </template>
        <div class="tools"><slot /></div>
        <div class="zoom">
            <button type="button" aria-label="Further away" @click="map.zoom(-1)">−</button>
            <button type="button" aria-label="Nearer" @click="map.zoom(1)">+</button>
        </div>
        <svg class="north" viewBox="0 0 24 44" width="24" height="44" aria-label="North is up" role="img">
            <path d="M12 1 18 30 12 25 6 30Z" fill="none" stroke="#221D17" />
            <path d="M12 1V25L6 30Z" fill="#221D17" />
            <text x="12" y="43" text-anchor="middle" font-size="12" font-style="italic">N</text>
        </svg>
    </div>
</template>

<style scoped>
.ground {
    position: relative;
    border: 1.4px solid var(--ink);
    background: #efe8d9;
    height: 100%;
    min-height: 320px;
}
.map {
    position: absolute;
    inset: 0;
}
.cross,
.keys {
    position: absolute;
    display: none;
    pointer-events: none;
}
.map:focus-visible ~ .cross {
    display: block;
    left: calc(50% - 20px);
    top: calc(50% - 20px);
}
.map:focus-visible ~ .keys {
    display: block;
    left: 14px;
    right: 14px;
    bottom: 64px;
    margin: 0;
    padding: 6px 10px;
    background: var(--sheet);
}
.map:focus-visible {
    outline-offset: -3px;
}
.tools {
    position: absolute;
    left: 12px;
    top: 12px;
    display: flex;
    gap: 8px;
    align-items: center;
    max-width: calc(100% - 100px);
}
.zoom {
    position: absolute;
    right: 12px;
    top: 12px;
    display: flex;
}
.zoom button {
    width: 30px;
    height: 30px;
    border: 1px solid var(--line);
    background: var(--sheet);
    font-size: 17px;
    cursor: pointer;
    color: var(--ink);
}
.zoom button + button {
    border-left: 0;
}
.north {
    position: absolute;
    right: 14px;
    bottom: 12px;
    pointer-events: none;
    font-family: var(--serif);
}
:deep(.ol-scale-bar) {
    left: 14px;
    bottom: 12px;
}
:deep(.ol-scale-text),
:deep(.ol-scale-step-text) {
    font: 12px var(--sans);
    color: var(--ink);
    text-shadow: none;
}
:deep(.ol-scale-singlebar-even) {
    background-color: var(--ink);
}
:deep(.ol-scale-singlebar-odd) {
    background-color: var(--sheet);
}
</style>
