<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { number } from '@/shared/format'
import FilePick from '@/shared/components/FilePick.vue'

/**
 * Reads a tube off a photo that shows it beside the card and something white. The browser only scales the photo and cuts
 * patches out of it; what they say is worked out on the server.
 */
const props = defineProps<{ bands: Schema<'ScaleBand'>[] }>()
const emit = defineEmits<{ take: [match: Schema<'ColourMatch'>]; close: [] }>()
const LONG_SIDE = 1600
const SHOWN_WIDE = 760
const HALF = 8
const STEP = 6
const canvas = ref<HTMLCanvasElement | null>(null)
const loaded = ref(false)
const trouble = ref('')
const scale = ref(1)
const cross = ref<{ x: number; y: number }>({ x: 0, y: 0 })
const picks = ref<Record<string, { x: number; y: number; pixels: number[] }>>({})
const match = ref<Schema<'ColourMatch'> | null>(null)
const targets = computed(() => [
    { key: 'tube', name: 'the clear liquid in the tube' },
    { key: 'white', name: 'a white spot, as white paper beside the tube' },
    ...props.bands.map(({ name }) => ({ key: `band ${name}`, name: `the swatch ${name} of the card` })),
])
const chosen = ref('tube')
const next = computed(() => targets.value.find(({ key }) => key === chosen.value))
const swatches = computed(() => props.bands.filter(({ name }) => picks.value[`band ${name}`]))
const enough = computed(() => Boolean(picks.value.tube && picks.value.white && swatches.value.length >= 2))

/** An image element rather than a bitmap: a browser decodes it at the size it is drawn at, which is much quicker. */
function opened(file: File): Promise<HTMLImageElement> {
    return new Promise((done, failed) => {
        const image = new Image()
        image.onload = () => done(image)
        image.onerror = () => failed(new Error('no picture'))
        image.src = URL.createObjectURL(file)
    })
}

async function load(event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0]
    if (!file) return
    trouble.value = ''
    match.value = null
    picks.value = {}
    chosen.value = 'tube'
    try {
        const whole = await opened(file)
        const by = Math.min(1, LONG_SIDE / Math.max(whole.naturalWidth, whole.naturalHeight))
        loaded.value = true
        await nextTick()
        const { value: sheet } = canvas
        if (!sheet) return
        sheet.width = Math.round(whole.naturalWidth * by)
        sheet.height = Math.round(whole.naturalHeight * by)
        sheet.getContext('2d', { willReadFrequently: true })?.drawImage(whole, 0, 0, sheet.width, sheet.height)
        URL.revokeObjectURL(whole.src)
        scale.value = Math.min(1, SHOWN_WIDE / sheet.width)
        cross.value = { x: Math.round(sheet.width / 2), y: Math.round(sheet.height / 2) }
    } catch {
        loaded.value = false
        trouble.value = 'The file is no picture that this browser can open. Accepted are photos as JPEG, PNG or WebP.'
    }
}

function pick(x: number, y: number): void {
    const sheet = canvas.value
    const pen = sheet?.getContext('2d')
    if (!sheet || !pen) return
    const [left, top] = [
        Math.min(Math.max(0, x - HALF), sheet.width - 2 * HALF),
        Math.min(Math.max(0, y - HALF), sheet.height - 2 * HALF),
    ]
    const { data } = pen.getImageData(left, top, 2 * HALF, 2 * HALF)
    const pixels: number[] = []
    for (let i = 0; i < data.length; i += 4) pixels.push(data[i] ?? 0, data[i + 1] ?? 0, data[i + 2] ?? 0)
    picks.value = { ...picks.value, [chosen.value]: { x, y, pixels } }
    match.value = null
    chosen.value = targets.value.find(({ key }) => !picks.value[key])?.key ?? chosen.value
}

function click(event: MouseEvent): void {
    const box = canvas.value?.getBoundingClientRect()
    if (!box || !canvas.value) return
    const by = canvas.value.width / box.width
    cross.value = { x: Math.round((event.clientX - box.left) * by), y: Math.round((event.clientY - box.top) * by) }
    pick(cross.value.x, cross.value.y)
}

const MOVES: Record<string, [number, number]> = {
    ArrowLeft: [-STEP, 0],
    ArrowRight: [STEP, 0],
    ArrowUp: [0, -STEP],
    ArrowDown: [0, STEP],
}
function key(event: KeyboardEvent): void {
    const move = MOVES[event.key]
    if (move && canvas.value) {
        cross.value = {
            x: Math.min(canvas.value.width, Math.max(0, cross.value.x + move[0])),
            y: Math.min(canvas.value.height, Math.max(0, cross.value.y + move[1])),
        }
    } else if (event.key === 'Enter' || event.key === ' ') pick(cross.value.x, cross.value.y)
    else return
    event.preventDefault()
}

const { save, saving, refusal } = useSave(
    () =>
        api.post('/colour-matches', {
            tube: picks.value.tube?.pixels ?? [],
            white: picks.value.white?.pixels ?? [],
            swatches: swatches.value.map(({ name }) => ({ name, pixels: picks.value[`band ${name}`]?.pixels ?? [] })),
        }),
    (answer) => (match.value = answer),
)
</script>

<template>
    <el-dialog :model-value="true" title="Read it off a photo" width="1040px" top="4vh" @close="emit('close')">
        <p v-if="!loaded">
            Take a photo that shows the tube, the kit’s card and white paper side by side, in even daylight, without
            flash.
        </p>
        <label class="file">
            <span class="sr">Photo of tube, card and white paper</span>
            <FilePick accept="image/*" aria-label="Photo of tube, card and white paper" @change="load" />
        </label>
        <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
        <div v-show="loaded" class="sides">
            <div>
                <p aria-live="polite">
                    <strong>Click on {{ next?.name }}.</strong>
                    <span class="note"> Or move the cross with the arrow keys and press Enter.</span>
                </p>
                <div class="sheet">
                    <canvas
                        ref="canvas"
                        tabindex="0"
                        role="img"
                        :aria-label="`The photo. Pick ${next?.name}`"
                        @click="click"
                        @keydown="key"
                    ></canvas>
                    <span class="cross" :style="{ left: `${cross.x * scale}px`, top: `${cross.y * scale}px` }"></span>
                    <span
                        v-for="(one, name) in picks"
                        :key="name"
                        class="pick"
                        :style="{ left: `${one.x * scale}px`, top: `${one.y * scale}px` }"
                    >
                        {{ String(name).replace('band ', '') }}
                    </span>
                </div>
            </div>
            <div>
                <ul class="targets">
                    <li v-for="target in targets" :key="target.key">
                        <button
                            type="button"
                            class="link"
                            :aria-pressed="chosen === target.key"
                            @click="chosen = target.key"
                        >
                            {{ target.name }}
                        </button>
                        {{ picks[target.key] ? 'picked' : chosen === target.key ? 'next' : '' }}
                    </li>
                </ul>
                <p class="note">Swatches that the photo does not show may be left out; two are needed.</p>
                <RefusalNote :refusal="refusal" />
                <el-button type="primary" :disabled="!enough" :loading="saving" @click="save()"
                    >Compare the colours</el-button
                >
                <template v-if="match">
                    <p class="said" role="status">{{ match.words }}</p>
                    <table class="plain">
                        <thead>
                            <tr>
                                <th>Swatch</th>
                                <th class="num">Difference, ΔE00</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="one in match.swatches.slice(0, 5)" :key="one.name">
                                <td>{{ one.name }}</td>
                                <td class="num">{{ number(one.difference, 1) }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <p class="note">
                        The next swatch is further by {{ number(match.margin, 1) }}; the patches themselves are uneven
                        by {{ number(match.unevenness, 1) }}. About 1 is just seen side by side.
                    </p>
                    <el-button v-if="match.safety !== 'none'" @click="emit('take', match)">
                        {{
                            match.safety === 'clear' ? `Take ${match.swatches[0]?.name}` : 'Take it as between the two'
                        }}
                    </el-button>
                </template>
            </div>
        </div>
    </el-dialog>
</template>

<style scoped>
.sides {
    display: grid;
    grid-template-columns: 760px 1fr;
    gap: 20px;
    margin-top: 8px;
}
.sheet {
    position: relative;
    max-height: 66vh;
    overflow: auto;
}
canvas {
    width: 760px;
    cursor: crosshair;
    display: block;
}
.cross {
    position: absolute;
    width: 17px;
    height: 17px;
    margin: -9px;
    border: 1.5px solid #fff;
    outline: 1.5px solid var(--ink);
    pointer-events: none;
}
.pick {
    position: absolute;
    transform: translate(-50%, -50%);
    background: var(--sheet);
    border: 1px solid var(--ink);
    padding: 0 4px;
    font-size: 11.5px;
    pointer-events: none;
}
.targets {
    list-style: none;
    padding: 0;
    margin: 0 0 8px;
}
.targets .link {
    text-align: left;
}
.said {
    font: 16px/1.28 var(--serif);
    margin-top: 12px;
}
</style>
