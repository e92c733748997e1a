<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import MeasureField from '@/shared/components/MeasureField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import { day, figure, mass, number, rate, type Units } from '@/shared/format'
import { shownIn, unitOf } from '@/shared/measures'

/** Products of a part, what they bring and what is short or over, as people measure it, and when it goes on. */
const props = defineProps<{
    part: Schema<'ProgramPart'>
    units: Units
    shelf?: Schema<'ShelfProduct'>[]
    editable?: boolean
}>()
const emit = defineEmits<{ mix: [rows: { product: string; lb_per_acre: number }[] | null] }>()
const NUTRIENTS: Record<string, string> = {
    n: 'N',
    p2o5: 'P2O5',
    k2o: 'K2O',
    lime: 'lime, as pure carbonate',
    ca: 'calcium',
    mg: 'magnesium',
    s: 'sulphur',
    zn: 'zinc',
    mn: 'manganese',
    cu: 'copper',
    fe: 'iron',
    b: 'boron',
}
const pounds = (rows: Schema<'NutrientAmount'>[], nutrient: string): number =>
    rows.find((one) => one.nutrient === nutrient)?.lb_per_acre ?? 0
const account = computed(() =>
    props.part.mix.need.map(({ nutrient, lb_per_acre: need }) => ({
        nutrient,
        need,
        never: props.part.mix.never.includes(nutrient),
        supplied: pounds(props.part.mix.supplied, nutrient),
        short: pounds(props.part.mix.short, nutrient),
        over: pounds(props.part.mix.over, nutrient),
    })),
)
const names = computed(() => new Map(props.part.amounts.map((one) => [one.product, one.name])))
const cautions = computed(() => props.part.amounts.filter((one) => one.cautions.length))
const own = ref<{ product: string; lb_per_acre: number | null | undefined }[] | null>(null)
const adding = ref<string>('')
const free = computed(() =>
    (props.shelf ?? [])
        .filter((one) => !own.value?.some((row) => row.product === one.code))
        .map((one) => [one.code, one.name] as const),
)
const nameOf = (code: string): string => props.shelf?.find((one) => one.code === code)?.name ?? code
const begin = (): void => {
    own.value = props.part.amounts.map(({ product, lb_per_acre }) => ({
        product,
        lb_per_acre: Math.round(lb_per_acre * 10) / 10,
    }))
}
watch(adding, (code) => {
    if (!code) return
    own.value?.push({ product: code, lb_per_acre: 0 })
    adding.value = ''
})
watch(
    own,
    (rows) => {
        if (rows)
            emit(
                'mix',
                rows.map((row) => ({ product: row.product, lb_per_acre: row.lb_per_acre ?? 0 })),
            )
    },
    { deep: true },
)
const leave = (): void => {
    own.value = null
    emit('mix', null)
}
const small = (one: Schema<'ProgramAmount'>): string =>
    props.units === 'metric'
        ? `${figure(one.g_per_m2)} g/m²`
        : `${figure(one.lb_per_1000sqft)} lb/1,000 sq ft; ${figure(one.lb_per_100sqft)} lb/100 sq ft`
</script>

<template>
    <section class="step">
        <div class="title">
            <h2>Products</h2>
            <div v-if="editable" class="no-print">
                <button v-if="!own" type="button" class="link" @click="begin">
                    {{ part.mix.own ? 'Change this mix' : 'Choose products myself' }}
                </button>
                <button v-if="own || part.mix.own" type="button" class="link" @click="leave">
                    Back to the proposed mix
                </button>
            </div>
        </div>
        <p v-for="reason in part.mix.reasons" :key="reason" class="note">{{ reason }}</p>
        <p v-if="part.mix.unwanted.length" class="warning" role="alert">
            This brings {{ part.mix.unwanted.map((one) => NUTRIENTS[one]).join(', ') }}, which may not be brought. It is
            signed only with a reason.
        </p>
        <table v-if="own" class="plain no-print mine">
            <tbody>
                <tr v-for="(row, i) in own" :key="row.product">
                    <td>{{ nameOf(row.product) }}</td>
                    <td class="num">
                        <MeasureField
                            v-model="row.lb_per_acre"
                            measure="rate"
                            :max="40000"
                            :aria-label="`${nameOf(row.product)}, ${unitOf('rate', units)}`"
                        />
                        {{ unitOf('rate', units) }}
                    </td>
                    <td><button type="button" class="link" @click="own?.splice(i, 1)">Drop</button></td>
                </tr>
                <tr>
                    <td colspan="3">
                        <FormField label="Take one more"
                            ><OneOf v-model="adding" :options="free" none="from the shelf"
                        /></FormField>
                    </td>
                </tr>
            </tbody>
        </table>
        <table v-if="account.length" class="plain account">
            <thead>
                <tr>
                    <th>What it has to bring, {{ unitOf('rate', units) }}</th>
                    <th class="num">Needed</th>
                    <th class="num">Brought</th>
                    <th class="num">Short</th>
                    <th class="num">Over</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in account" :key="one.nutrient">
                    <td>{{ NUTRIENTS[one.nutrient] }}{{ one.never ? ', none may be brought' : '' }}</td>
                    <td class="num">{{ figure(shownIn(one.need, 'rate', units)) }}</td>
                    <td class="num">{{ figure(shownIn(one.supplied, 'rate', units)) }}</td>
                    <td class="num" :class="{ off: one.short > 0.05 }">
                        {{ figure(shownIn(one.short, 'rate', units)) }}
                    </td>
                    <td class="num" :class="{ off: one.never && one.over > 0.05 }">
                        {{ figure(shownIn(one.over, 'rate', units)) }}
                    </td>
                </tr>
            </tbody>
        </table>
    </section>
    <section class="step">
        <h2>Amounts</h2>
        <p v-if="!part.amounts.length" class="answer"><strong>Nothing is spread here.</strong></p>
        <div v-else class="scroll" tabindex="0" role="group" aria-label="Table">
            <table class="plain">
                <thead>
                    <tr>
                        <th>Product</th>
                        <th class="num">Rate</th>
                        <th>Small ground</th>
                        <th class="num">In all</th>
                        <th class="num">Bags</th>
                        <th v-if="part.amounts.some((one) => one.bed)" class="num">On the bed</th>
                        <th class="num">Money</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in part.amounts" :key="one.product">
                        <td>
                            {{ one.name }} <span v-if="one.grade !== '0-0-0'" class="note">{{ one.grade }}</span>
                        </td>
                        <td class="num">
                            <strong>{{ rate(one.lb_per_acre, units).value }}</strong>
                            {{ rate(one.lb_per_acre, units).unit }}
                        </td>
                        <td>{{ small(one) }}</td>
                        <td class="num">{{ mass(one.lb, units) }}</td>
                        <td class="num">
                            <template v-if="one.bags !== null && one.bag_lb !== null"
                                >{{ figure(one.bags) }} of {{ mass(one.bag_lb, units) }}; buy
                                {{ one.bags_to_buy }}</template
                            ><template v-else>bulk</template>
                        </td>
                        <td v-if="part.amounts.some((other) => other.bed)" class="num">
                            <template v-if="one.bed"
                                >{{ units === 'metric' ? `${figure(one.bed.g)} g` : `${figure(one.bed.lb)} lb`
                                }}{{ one.bed.cups === null ? '' : `, ${figure(one.bed.cups)} cups` }}</template
                            >
                        </td>
                        <td class="num">{{ one.cost === null ? 'no price' : number(one.cost, 2) }}</td>
                    </tr>
                </tbody>
            </table>
        </div>
        <p v-for="one in cautions" :key="one.product" class="care">
            <strong>{{ one.name }}.</strong> {{ one.cautions.join(' ') }}
        </p>
        <p v-for="caution in part.cautions" :key="caution" class="care">{{ caution }}</p>
    </section>
    <section v-if="part.days.length" class="step">
        <h2>When</h2>
        <table class="plain">
            <tbody>
                <tr v-for="(one, i) in part.days" :key="i">
                    <td class="on">{{ day(one.on) }}</td>
                    <td>{{ names.get(one.product) }}</td>
                    <td class="num">
                        {{ rate(one.lb_per_acre, units).value }} {{ rate(one.lb_per_acre, units).unit }}
                    </td>
                    <td :class="{ late: one.late }">{{ one.what }}</td>
                </tr>
            </tbody>
        </table>
    </section>
</template>

<style scoped>
.step {
    border-top: 1px solid var(--ink);
    padding: 8px 0 12px;
}
.title {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 16px;
}
.title .link + .link {
    margin-left: 16px;
}
.account {
    max-width: 620px;
}
.mine {
    max-width: 460px;
    margin-bottom: 12px;
}
.scroll {
    overflow-x: auto;
}
.off {
    color: var(--oxide);
    font-weight: 600;
}
.on {
    width: 110px;
    white-space: nowrap;
}
.late {
    color: var(--amber-text);
}
.answer {
    font: 15px/1.3 var(--serif);
}
.care {
    border-left: 3px solid var(--amber-text);
    padding-left: 8px;
    margin: 6px 0;
}
.el-input-number {
    width: 90px;
}
</style>
