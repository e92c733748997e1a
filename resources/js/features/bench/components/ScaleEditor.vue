<script setup lang="ts">
import { computed } from 'vue'
import type { BandDraft, Draft } from '../definition'
import NumberText from './NumberText.vue'

/**
 * The bands of a card, their ranges and colours; of a count of drops its table too. What makes the test what it is, is
 * open only while it is new.
 */
const props = defineProps<{ open: boolean; unit: string }>()
const scale = defineModel<Draft['scale']>({ required: true })
const bands = computed<BandDraft[]>(() => scale.value.bands ?? [])
const tint = (colour: [number, number, number] | undefined): string =>
    colour ? `lab(${colour[0]}% ${colour[1]} ${colour[2]})` : 'transparent'
const PARTS = ['L*', 'a*', 'b*'] as const

function add(): void {
    const last = bands.value.at(-1)
    scale.value.bands = [
        ...bands.value,
        { name: '', lower: last?.upper ?? null, upper: null, ...(last?.colour ? { colour: [50, 0, 0] } : {}) },
    ]
}
</script>

<template>
    <template v-if="scale.bands">
        <table class="plain bands">
            <thead>
                <tr>
                    <th>Band</th>
                    <th>From, {{ props.unit }}</th>
                    <th>Below, {{ props.unit }}</th>
                    <th><span class="sr">Colour</span></th>
                    <th v-for="part in PARTS" :key="part">{{ part }}</th>
                    <th v-if="open"><span class="sr">Remove</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="(band, i) in bands" :key="i">
                    <template v-if="open">
                        <td>
                            <el-input
                                v-model="band.name"
                                size="small"
                                class="wide"
                                :aria-label="`Name of band ${i + 1}`"
                            />
                        </td>
                        <td v-for="side in ['lower', 'upper'] as const" :key="side">
                            <NumberText
                                v-model="band[side]"
                                class="part"
                                placeholder="open"
                                :label="`${side === 'lower' ? 'Start' : 'End'} of band ${i + 1}`"
                            />
                        </td>
                    </template>
                    <template v-else>
                        <td>{{ band.name }}</td>
                        <td class="num">{{ band.lower ?? 'open' }}</td>
                        <td class="num">{{ band.upper ?? 'open' }}</td>
                    </template>
                    <td><span class="tint" :style="{ background: tint(band.colour) }"></span></td>
                    <td v-for="(part, k) in PARTS" :key="part">
                        <NumberText
                            v-if="band.colour"
                            :model-value="band.colour[k] ?? null"
                            class="part"
                            :label="`${part} of ${band.name}`"
                            @update:model-value="(number: number | null) => (band.colour![k] = number ?? 0)"
                        />
                        <button v-else-if="k === 0" type="button" class="link" @click="band.colour = [50, 0, 0]">
                            add a colour
                        </button>
                    </td>
                    <td v-if="open">
                        <button
                            type="button"
                            class="link"
                            :aria-label="`Remove band ${i + 1}`"
                            @click="scale.bands = bands.filter((one) => one !== band)"
                        >
                            remove
                        </button>
                    </td>
                </tr>
            </tbody>
        </table>
        <button v-if="open" type="button" class="link" @click="add">Another band</button>
        <p v-else class="note">
            Names and ranges make the test what it is; changed ones are another test. Colours may follow a new card.
        </p>
    </template>
    <template v-if="scale.table && open">
        <h3>Drops</h3>
        <table class="plain bands">
            <tbody>
                <tr v-for="(row, i) in scale.table" :key="i">
                    <td>
                        <el-input-number
                            v-model="row.from"
                            size="small"
                            :min="1"
                            :controls="false"
                            class="part"
                            :aria-label="`First drop of row ${i + 1}`"
                        />
                    </td>
                    <td>to</td>
                    <td>
                        <el-input-number
                            v-model="row.to"
                            size="small"
                            :min="1"
                            :controls="false"
                            class="part"
                            :aria-label="`Last drop of row ${i + 1}`"
                        />
                    </td>
                    <td>
                        <el-select v-model="row.band" size="small" class="wide" :aria-label="`Band of row ${i + 1}`">
                            <el-option v-for="band in bands" :key="band.name" :value="band.name" :label="band.name" />
                        </el-select>
                    </td>
                    <td>
                        <button
                            type="button"
                            class="link"
                            :aria-label="`Remove row ${i + 1}`"
                            @click="scale.table = scale.table?.filter((one) => one !== row)"
                        >
                            remove
                        </button>
                    </td>
                </tr>
            </tbody>
        </table>
        <button
            type="button"
            class="link"
            @click="
                scale.table = [
                    ...(scale.table ?? []),
                    { from: (scale.table?.at(-1)?.to ?? 0) + 1, to: (scale.table?.at(-1)?.to ?? 0) + 10, band: '' },
                ]
            "
        >
            Another row
        </button>
        <label class="field most">
            <span class="label">Most drops</span>
            <el-input-number v-model="scale.most as number" size="small" :min="1" :max="500" :controls="false" />
        </label>
    </template>
    <div v-if="scale.kind === 'continuous' && open" class="row numbers">
        <label
            v-for="[field, label] in [
                ['lowest', 'Lowest it shows'],
                ['highest', 'Highest it shows'],
                ['resolution', 'Its resolution'],
            ] as const"
            :key="field"
            class="field"
        >
            <span class="label">{{ label }}</span>
            <el-input-number v-model="scale[field] as number" size="small" :controls="false" />
        </label>
    </div>
</template>

<style scoped>
.bands {
    width: auto;
}
.part {
    width: 72px;
}
.wide {
    width: 130px;
}
.tint {
    display: inline-block;
    width: 34px;
    height: 18px;
    border: 1px solid var(--hair);
    vertical-align: middle;
}
.most {
    margin-top: 8px;
}
.numbers {
    gap: 16px;
}
</style>
