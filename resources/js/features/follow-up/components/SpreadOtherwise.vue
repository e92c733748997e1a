<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { computed, reactive, ref, watch, toRef } from 'vue'
import type { Schema } from '@/api/client'
import DateField from '@/shared/components/DateField.vue'
import FilePick from '@/shared/components/FilePick.vue'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import { typed, type Units } from '@/shared/format'

/** What was spread otherwise than planned, or besides: product, rate, day, part, weather, by whom, and the bag. */
const props = defineProps<{
    line: Schema<'SpreadLine'> | null
    areas: { id: number; name: string }[]
    products: Schema<'ShelfProduct'>[]
    units: Units
    today: string
    by: string
    busy: boolean
}>()
const emit = defineEmits<{ done: [body: Omit<Schema<'SpreadEntry'>, 'uuid'>, photo: File | null]; close: [] }>()
const UNITS: Record<Units, [string, string][]> = {
    us: [
        ['lb/acre', 'lb an acre'],
        ['tons/acre', 'tons an acre'],
        ['lb/1000sqft', 'lb for 1,000 sq ft'],
        ['lb/100sqft', 'lb for 100 sq ft'],
    ],
    metric: [
        ['kg/ha', 'kg/ha'],
        ['t/ha', 't/ha'],
        ['g/m2', 'g/m²'],
    ],
}
const form = reactive({
    area: 0,
    product: '',
    what: '',
    amount: '',
    unit: '',
    on: '',
    part: '',
    weather: '',
    by: '',
    note: '',
})
const photo = ref<File | null>(null)
const asked = ref(false)
watch(
    () => props.line,
    (line) => {
        Object.assign(form, {
            area: line?.area_id ?? props.areas[0]?.id ?? 0,
            product: line?.product ?? '',
            what: '',
            amount: '',
            unit: UNITS[props.units][0]![0],
            on: props.today,
            part: line && line.part > 0 ? String(line.part) : '',
            by: props.by,
        })
        asked.value = false
    },
    { immediate: true },
)
const typedHere = useTyped(
    () => 'the spreading log',
    () => `spread-${props.line?.key ?? 'other'}-${form.area}`,
    {
        amount: toRef(form, 'amount'),
        what: toRef(form, 'what'),
        weather: toRef(form, 'weather'),
        note: toRef(form, 'note'),
    },
)
const wrong = computed(() => {
    const amount = typed(form.amount)
    return {
        what: !form.product && !form.what.trim() ? 'Say what was spread.' : undefined,
        amount: !Number.isFinite(amount)
            ? 'An application needs its rate; 0 where nothing was spread.'
            : amount < 0
              ? 'A rate is 0 or more.'
              : undefined,
        on: !form.on ? 'The day it was spread.' : form.on > props.today ? 'That day lies in the future.' : undefined,
        part:
            form.part.trim() && !/^\d+$/.test(form.part.trim())
                ? 'A number, or nothing for the whole area.'
                : undefined,
    }
})
function done(): void {
    asked.value = true
    if (Object.values(wrong.value).some((one) => one !== undefined)) return
    typedHere.settle()
    emit(
        'done',
        {
            area_id: form.area,
            program_id: props.line?.program_id ?? null,
            part: Number(form.part.trim() || 0),
            product: form.product,
            what: form.what.trim(),
            as_planned: false,
            line: props.line?.key ?? null,
            amount: typed(form.amount),
            unit: form.unit,
            on: form.on,
            weather: form.weather.trim(),
            spread_by: form.by.trim(),
            note: form.note.trim(),
            takes_back: null,
        },
        photo.value,
    )
}
const said = (field: keyof typeof wrong.value): string | undefined => (asked.value ? wrong.value[field] : undefined)
</script>

<template>
    <form novalidate class="otherwise" @submit.prevent="done">
        <TypedBefore :typed="typedHere" />
        <h2>{{ line ? `Otherwise than planned: ${line.name}` : 'Something else was spread' }}</h2>
        <FormField v-if="!line" label="Where">
            <OneOf v-model="form.area" size="large" :options="areas.map(({ id, name }) => [id, name] as const)" />
        </FormField>
        <FormField label="Product">
            <OneOf
                v-model="form.product"
                size="large"
                none="none of the shelf"
                :options="products.map(({ code, name }) => [code, name] as const)"
            />
        </FormField>
        <FormField v-if="!form.product" label="Its name" :wrong="said('what')"
            ><el-input v-model="form.what" size="large" name="what" maxlength="120"
        /></FormField>
        <div class="two">
            <FormField label="Rate" :wrong="said('amount')"
                ><el-input v-model="form.amount" size="large" name="amount" inputmode="decimal"
            /></FormField>
            <FormField label="In"><OneOf v-model="form.unit" size="large" :options="UNITS[units]" /></FormField>
        </div>
        <div class="two">
            <FormField label="On" :wrong="said('on')"><DateField v-model="form.on" size="large" name="on" /></FormField>
            <FormField label="Part" hint="empty for all of it" :wrong="said('part')"
                ><el-input v-model="form.part" size="large" name="part" inputmode="numeric"
            /></FormField>
        </div>
        <FormField label="By"><el-input v-model="form.by" size="large" name="by" maxlength="120" /></FormField>
        <FormField label="Weather"
            ><el-input v-model="form.weather" size="large" name="weather" maxlength="120" placeholder="dry, still"
        /></FormField>
        <FormField label="Photo of the bag"
            ><FilePick
                accept="image/jpeg,image/png"
                capture="environment"
                words="Take or choose"
                @change="(event: Event) => (photo = (event.target as HTMLInputElement).files?.[0] ?? null)"
        /></FormField>
        <FormField label="Note"><el-input v-model="form.note" size="large" name="note" maxlength="500" /></FormField>
        <button type="submit" class="big" :disabled="busy">Note it</button>
        <button type="button" class="big quiet" @click="(typedHere.drop(), emit('close'))">Not now</button>
    </form>
</template>

<style scoped>
.otherwise {
    display: grid;
    gap: 12px;
    border-top: 1px solid var(--ink);
    padding-top: 12px;
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px;
}
</style>
