<script setup lang="ts">
import { computed, onScopeDispose, ref } from 'vue'
import { Refused, streamed, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { number } from '@/shared/format'

/** Readings of a probe as they come. What came is kept by the server while it comes; a gap is shown, not smoothed. */
const props = defineProps<{
    run: number
    tube: number
    simulated: boolean
    decimals: number
    unit: string
    kept: Schema<'Capture'> | null
}>()
const emit = defineEmits<{ take: [capture: Schema<'Capture'>]; broke: [] }>()
const SECONDS = 10
const WIDE = 320
const TALL = 74
const lines = ref<Schema<'ProbeLine'>[]>([])
const fresh = ref<Schema<'Capture'> | null>(null)
const refusal = ref<Refused | null>(null)
const going = ref(false)
/** What this page has just heard, else what the server kept of a stream that broke or of a page that was left. */
const capture = computed(() => fresh.value ?? (going.value ? null : props.kept))
const stop = new AbortController()
onScopeDispose(() => stop.abort())

async function read(): Promise<void> {
    if (going.value) return
    lines.value = []
    fresh.value = null
    refusal.value = null
    going.value = true
    try {
        await streamed<Schema<'ProbeLine'>>(
            `/runs/${props.run}/probe`,
            { tube: props.tube, seconds: SECONDS },
            stop.signal,
            (line) => {
                if (line.capture) fresh.value = line.capture
                else if (line.refused) refusal.value = new Refused(line.refused, 409)
                else lines.value = [...lines.value, line]
            },
        )
        if (!fresh.value && !refusal.value)
            refusal.value = new Refused('The line broke. What came before is kept with the tube.', 0)
    } catch (error) {
        if (!stop.signal.aborted)
            refusal.value =
                error instanceof Refused
                    ? error
                    : new Refused('The line broke. What came before is kept with the tube.', 0)
    } finally {
        going.value = false
        if (!fresh.value && !stop.signal.aborted) emit('broke')
    }
}

const good = computed(() => lines.value.filter((line) => line.kind === 'good' && typeof line.value === 'number'))
const odd = computed(() => lines.value.filter((line) => line.kind !== 'good'))
const path = computed(() => {
    const values = lines.value.map((line) => (line.kind === 'good' ? (line.value ?? null) : null))
    const known = values.filter((value): value is number => value !== null)
    const [least, most] = [Math.min(...known) - 0.02, Math.max(...known) + 0.02]
    let up = true
    return values
        .map((value, i) => {
            if (value === null) {
                up = true
                return ''
            }
            const to =
                `${up ? 'M' : 'L'}${((i / Math.max(40, values.length)) * WIDE).toFixed(1)} ` +
                `${(TALL - 6 - ((value - least) / (most - least)) * (TALL - 12)).toFixed(1)}`
            up = false
            return to
        })
        .join('')
})
</script>

<template>
    <section class="probe">
        <el-button :loading="going" @click="read()">{{
            going ? `Reading for ${SECONDS} s` : 'Read the probe'
        }}</el-button>
        <span v-if="simulated" class="note"> Simulated: a stand-in streams these readings.</span>
        <RefusalNote :refusal="refusal" />
        <figure v-if="good.length">
            <svg
                :viewBox="`0 0 ${WIDE} ${TALL}`"
                :width="WIDE"
                :height="TALL"
                role="img"
                :aria-label="`${good.length} readings, the last ${number(good.at(-1)?.value, decimals + 1)}`"
            >
                <path :d="`M0 ${TALL - 0.5}H${WIDE}`" stroke="var(--ink)" />
                <path :d="path" fill="none" stroke="var(--gley)" stroke-width="1.6" />
            </svg>
            <figcaption class="now">
                {{ number(good.at(-1)?.value, decimals + 1) }} {{ unit }}
                <span v-if="typeof good.at(-1)?.celsius === 'number'" class="note"
                    >{{ number(good.at(-1)?.celsius, 1) }} °C</span
                >
            </figcaption>
        </figure>
        <ul v-if="odd.length" class="odd">
            <li v-for="(line, i) in odd" :key="i">{{ line.words }}</li>
        </ul>
        <template v-if="capture">
            <p v-if="!fresh" class="note">Kept from before, {{ capture.readings }} readings:</p>
            <p v-for="(gap, i) in capture.gaps.filter(({ kind }) => kind === 'stopped')" :key="i" class="warning">
                {{ gap.words }} What came before is kept.
            </p>
            <p v-if="capture.mean !== null">
                Mean of the last {{ capture.used }}: <strong>{{ number(capture.mean, decimals + 1) }} {{ unit }}</strong
                >, spread {{ number(capture.sd, decimals + 2) }}.
                <button type="button" class="link" @click="emit('take', capture)">Take it</button>
            </p>
        </template>
    </section>
</template>

<style scoped>
.probe {
    margin-bottom: 10px;
}
figure {
    margin: 8px 0;
}
.now {
    font: 700 22px/1 var(--serif);
    font-feature-settings: 'lnum';
}
.odd {
    margin: 4px 0 8px;
    padding-left: 18px;
    color: var(--amber-text);
}
</style>
