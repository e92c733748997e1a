<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { reactive } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import MeasureField from '@/shared/components/MeasureField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { siteUnits } from '@/shared/format'
import { unitOf } from '@/shared/measures'
import { useSave } from '@/shared/composables/useSave'

/** A product of the shelf: what is in it, what its lime is worth, how it is sold. */
const props = defineProps<{ product: Schema<'ShelfProduct'> | null; kinds: string[] }>()
const emit = defineEmits<{ saved: []; close: [] }>()
const NUTRIENTS = [
    ['n', 'N'],
    ['p2o5', 'P2O5'],
    ['k2o', 'K2O'],
    ['ca', 'Ca'],
    ['mg', 'Mg'],
    ['s', 'S'],
    ['zn', 'Zn'],
    ['mn', 'Mn'],
    ['cu', 'Cu'],
    ['fe', 'Fe'],
    ['b', 'B'],
] as const
const KIND_NAMES: Record<string, string> = {
    lime: 'limestone',
    caustic: 'burnt or hydrated lime',
    ash: 'wood ash',
    salt: 'salt, such as gypsum',
    nitrogen: 'nitrogen salt',
    chloride: 'potash with chloride',
    micro: 'micronutrient',
}
const form = reactive({
    name: props.product?.name ?? '',
    kind: props.product?.kind ?? 'meal',
    grades: { ...(props.product?.grades ?? {}) } as Record<string, number | null>,
    cce: props.product?.cce ?? null,
    p8: props.product?.p8 ?? null,
    p60: props.product?.p60 ?? null,
    water: props.product?.water ?? null,
    density: props.product?.density ?? null,
    bag_lb: props.product?.bag_lb ?? null,
    price: props.product?.price ?? null,
    most: props.product?.most ?? null,
    organic: props.product?.organic ?? false,
    slow: props.product?.slow ?? false,
    ammonium: props.product?.ammonium ?? false,
    nitrate: props.product?.nitrate ?? false,
    off: props.product?.off ?? false,
})
const typedHere = useTyped(
    () => props.product?.name ?? 'a new product',
    () => `product-${props.product?.code ?? 'new'}`,
    { form },
)
const FIGURES = [
    ['cce', 'Carbonate equivalent, %'],
    ['p8', 'Through 8 mesh, %'],
    ['p60', 'Through 60 mesh, %'],
    ['water', 'Water, %'],
    ['density', 'Bulk density, g/cm³'],
] as const
const FLAGS = [
    ['organic', 'Organic'],
    ['slow', 'Acts slowly: it has to rot'],
    ['ammonium', 'Nitrogen as ammonium or urea'],
    ['nitrate', 'Nitrogen as nitrate'],
    ['off', 'Not used in proposals'],
] as const
const saving = useSave(
    () =>
        props.product
            ? api.put(
                  '/shelf/{product}',
                  { ...form, state: props.product.state },
                  { ids: { product: props.product.code } },
              )
            : api.post('/shelf', form),
    () => {
        typedHere.settle()
        emit('saved')
    },
)
</script>

<template>
    <el-dialog
        :model-value="true"
        :title="product ? product.name : 'A product of your own'"
        width="640"
        @close="emit('close')"
    >
        <RefusalNote :refusal="saving.refusal.value" />
        <TypedBefore :typed="typedHere" />
        <div class="row">
            <FormField label="Name, without a brand" :wrong="saving.wrong('name')">
                <el-input v-model="form.name" maxlength="80" />
            </FormField>
            <FormField label="Kind, for its cautions" :wrong="saving.wrong('kind')">
                <OneOf v-model="form.kind" :options="kinds.map((one) => [one, KIND_NAMES[one] ?? one] as const)" />
            </FormField>
        </div>
        <fieldset>
            <legend>In a hundred parts of its mass</legend>
            <div class="row">
                <FormField v-for="[code, label] in NUTRIENTS" :key="code" :label="label">
                    <el-input-number
                        :model-value="form.grades[code] ?? undefined"
                        :controls="false"
                        :min="0"
                        :max="100"
                        size="small"
                        @update:model-value="(to: number | undefined) => (form.grades[code] = to ?? null)"
                    />
                </FormField>
            </div>
        </fieldset>
        <div class="row figures">
            <FormField v-for="[code, label] in FIGURES" :key="code" :label="label" :wrong="saving.wrong(code)">
                <el-input-number
                    :model-value="form[code] ?? undefined"
                    :controls="false"
                    :min="0"
                    size="small"
                    @update:model-value="(to: number | undefined) => (form[code] = to ?? null)"
                />
            </FormField>
            <FormField :label="`Bag, ${unitOf('mass', siteUnits)} (empty for bulk)`" :wrong="saving.wrong('bag_lb')">
                <MeasureField v-model="form.bag_lb" measure="mass" />
            </FormField>
            <FormField v-if="form.bag_lb" label="Price of a bag" :wrong="saving.wrong('price')">
                <el-input-number
                    :model-value="form.price ?? undefined"
                    :controls="false"
                    :min="0"
                    size="small"
                    @update:model-value="(to: number | undefined) => (form.price = to ?? null)"
                />
            </FormField>
            <FormField v-else :label="`Price of ${unitOf('each_load', siteUnits)}`" :wrong="saving.wrong('price')">
                <MeasureField v-model="form.price" measure="each_load" />
            </FormField>
            <FormField :label="`Most in one dressing, ${unitOf('rate', siteUnits)}`" :wrong="saving.wrong('most')">
                <MeasureField v-model="form.most" measure="rate" />
            </FormField>
        </div>
        <el-checkbox v-for="[code, label] in FLAGS" :key="code" v-model="form[code]">{{ label }}</el-checkbox>
        <template #footer>
            <el-button @click="(typedHere.drop(), emit('close'))">Leave it</el-button>
            <el-button type="primary" :loading="saving.saving.value" @click="saving.save()">Save</el-button>
        </template>
    </el-dialog>
</template>

<style scoped>
.row {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    align-items: flex-end;
}
.row .field {
    margin-bottom: 8px;
}
.el-input-number {
    width: 74px;
}
.figures .el-input-number {
    width: 110px;
}
.one {
    width: 220px;
}
fieldset {
    border: 0;
    padding: 0;
    margin: 0 0 6px;
}
</style>
