<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import QRCode from 'qrcode'
import { ref, watch } from 'vue'

/** Labels for bags, on A4 sheets or on a roll: code, QR code and what must be on the bag itself. */
export interface Label {
    code: string
    title: string
    lines: string[]
}
const props = defineProps<{ labels: Label[] }>()
const format = useLocalStorage<'a4' | 'roll'>('honest-core:labels', 'a4')
const drawn = ref<Record<string, string>>({})
watch(
    () => props.labels,
    async (labels) => {
        const made = await Promise.all(
            labels.map(async ({ code }) => {
                const svg = await QRCode.toString(code, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' })
                return [code, `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`] as const
            }),
        )
        drawn.value = Object.fromEntries(made)
    },
    { immediate: true },
)
// The size of the paper is set for this page alone; a style sheet cannot ask for it by class.
watch(
    format,
    (chosen) => {
        const style =
            document.getElementById('paper') ??
            document.head.appendChild(Object.assign(document.createElement('style'), { id: 'paper' }))
        style.textContent = chosen === 'roll' ? '@media print { @page { size: 100mm 50mm; margin: 3mm } }' : ''
    },
    { immediate: true },
)
</script>

<template>
    <fieldset class="no-print choice">
        <legend class="sr">Paper</legend>
        <label><input v-model="format" type="radio" value="a4" /> A4 sheet, two in a row</label>
        <label><input v-model="format" type="radio" value="roll" /> Roll, 100 × 50 mm</label>
    </fieldset>
    <div class="sheet" :class="format">
        <article v-for="label in labels" :key="label.code" class="label on-paper">
            <img v-if="drawn[label.code]" :src="drawn[label.code]" :alt="`QR code of ${label.code}`" />
            <div>
                <p class="code">{{ label.code }}</p>
                <p class="kind">{{ label.title }}</p>
                <p v-for="line in label.lines" :key="line">{{ line }}</p>
            </div>
        </article>
    </div>
</template>

<style scoped>
.choice {
    border: 0;
    padding: 0;
    margin: 0 0 14px;
    display: flex;
    gap: 18px;
}
.sheet {
    display: flex;
    flex-wrap: wrap;
    gap: 4mm;
}
.label {
    display: flex;
    align-items: flex-start;
    gap: 3mm;
    width: 86mm;
    min-height: 44mm;
    border: 1px solid var(--ink);
    background: #fff;
    padding: 3mm;
    break-inside: avoid;
    overflow: hidden;
}
.label img {
    width: 27mm;
    height: 27mm;
    flex: none;
}
.label p {
    margin: 0 0 0.4mm;
    font-size: 8.5pt;
    line-height: 1.2;
}
.label .code {
    font: 700 16pt/1.05 var(--sans);
    white-space: nowrap;
}
.label .kind {
    font-weight: 600;
    font-stretch: 86%;
    white-space: nowrap;
    margin-bottom: 1mm;
}
.roll .label {
    width: 94mm;
    height: 44mm;
}
@media print {
    .roll {
        display: block;
    }
    .roll .label {
        border: 0;
        padding: 0;
        break-after: page;
    }
    .roll .label:last-child {
        break-after: auto;
    }
}
</style>
