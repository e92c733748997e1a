<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, reactive, watch } from 'vue'
import { type Schema } from '@/api/client'
import { SampleLink } from '@/features/send'
import FormField from '@/shared/components/FormField.vue'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { day, depth, number, siteUnits } from '@/shared/format'
import { shownIn, unitOf } from '@/shared/measures'
import { useAmounts, useCrops } from '../api'

/** What the analytes other than pH call for, as far as what stands allows. */
const props = defineProps<{ areaId: number; sampleId: number | null }>()
const sized = reactive<{ crop: string; yield: number | undefined }>({ crop: '', yield: undefined })
const crops = useCrops()
/** One bushel or ton an acre in the unit of the site. */
const yieldEach = computed(() =>
    siteUnits.value === 'us' ? 1 : (crops.data.value?.find((one) => one.code === sized.crop)?.yield_t_per_ha ?? 1),
)
const asked = refDebounced(
    computed(() => ({
        crop: sized.crop || undefined,
        yield: sized.yield === undefined ? undefined : sized.yield / yieldEach.value,
    })),
    150,
)
watch(
    () => props.areaId,
    () => Object.assign(sized, { crop: '', yield: undefined }),
)
const { data: it, error } = useAmounts(
    () => props.areaId,
    () => props.sampleId,
    asked,
)
const inRate = (value: number | null | undefined): string => number(shownIn(value ?? 0, 'rate', siteUnits.value))
const between = ({ between: ends, lb_per_acre: rate }: Schema<'AmountOfAnalyte'>): string =>
    rate !== null && ends && ends[0] != null && ends[1] != null && ends[1] - ends[0] >= 1
        ? `${siteUnits.value === 'us' ? ', ' : ''}between ${ends.map(inRate).join(' and ')}`
        : ''
</script>

<template>
    <section v-if="it?.analytes.length" class="others">
        <div class="title">
            <h2>The other analytes</h2>
            <div v-if="it.crops.length" class="row no-print">
                <FormField label="Crop to size for">
                    <el-select v-model="sized.crop" size="small" placeholder="not chosen" clearable>
                        <el-option v-for="crop in it.crops" :key="crop" :value="crop" :label="crop" />
                    </el-select>
                </FormField>
                <FormField
                    :label="`Yield, ${siteUnits === 'us' ? (it.crops.includes('alfalfa') ? 'tons/acre' : 'bushels/acre') : 't/ha'}`"
                >
                    <el-input-number v-model="sized.yield" :controls="false" :min="0" :max="1000" size="small" />
                </FormField>
            </div>
        </div>
        <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
        <table class="plain">
            <thead>
                <tr>
                    <th>Analyte</th>
                    <th>What stands</th>
                    <th class="num">A year, {{ unitOf('rate', siteUnits) }}</th>
                    <th>Built on</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in it.analytes" :key="one.analyte">
                    <td>{{ one.name }}</td>
                    <td>
                        {{ one.answer }}
                        <span v-for="reason in one.reasons" :key="reason" class="note block">{{ reason }}</span>
                        <span v-if="one.differ" class="note block">{{ one.differ }}</span>
                        <span v-if="one.next" class="note block">Next: {{ one.next }}</span>
                    </td>
                    <td class="num">
                        <template v-if="one.lb_per_acre !== null">
                            <strong>{{ number(shownIn(one.lb_per_acre, 'rate', siteUnits)) }}</strong>
                            {{ one.nutrient }}
                            <span class="note block"
                                >{{ siteUnits === 'us' ? `${number(one.kg_per_ha)} kg/ha` : ''
                                }}{{ between(one) }}</span
                            >
                        </template>
                    </td>
                    <td>
                        <SampleLink :id="one.sample_id" :code="one.sample" />, {{ depth(one.depth) }}
                        <span class="note block">{{ one.method }}, {{ day(one.pulled_on) }}</span>
                        <VerdictStone v-if="one.verdict" :verdict="one.verdict" />
                    </td>
                </tr>
            </tbody>
        </table>
    </section>
</template>

<style scoped>
.others {
    margin: 14px 0;
}
.title {
    display: flex;
    justify-content: space-between;
    align-items: flex-end;
}
.row .field {
    margin: 0;
}
.el-select {
    width: 120px;
}
.el-input-number {
    width: 80px;
}
.block {
    display: block;
}
</style>
