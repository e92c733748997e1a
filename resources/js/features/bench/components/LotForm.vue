<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { reactive } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { day, number, optional, today } from '@/shared/format'
import { money } from '@/shared/money'
import DateField from '@/shared/components/DateField.vue'

/** The lots of a method's reagents: when they expire, and what a test of them costs. */
const props = defineProps<{ method: Schema<'MethodDetail'>; reagents: string[] }>()
const queries = useQueryClient()
const { timezone } = useSite()
const form = reactive({ reagent: props.reagents[0] ?? '', lot: '', expires_on: '', price: '', tests: '' })
function cents(text: string): number | null {
    const price = optional(text)
    return typeof price === 'number' ? Math.round(price * 100) : price
}
const typedHere = useTyped(
    () => 'a new lot',
    () => `lot-${props.method.id}`,
    { form },
)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/methods/{method}/lots',
            {
                reagent: form.reagent,
                lot: form.lot.trim(),
                expires_on: form.expires_on || null,
                price_cents: cents(form.price),
                tests: optional(form.tests),
            },
            { ids: { method: props.method.id } },
        ),
    async (method) => {
        Object.assign(form, { lot: '', expires_on: '', price: '', tests: '' })
        typedHere.settle()
        queries.setQueryData(['method', props.method.id], method)
        await queries.invalidateQueries()
    },
)
</script>

<template>
    <table v-if="method.lots.length" class="plain">
        <thead>
            <tr>
                <th>Reagent</th>
                <th>Lot</th>
                <th>Expires</th>
                <th class="num">Cost a test</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="lot in method.lots" :key="lot.id">
                <td>{{ lot.reagent }}</td>
                <td>{{ lot.lot }}</td>
                <td :class="{ over: lot.expires_on !== null && lot.expires_on < today(timezone) }">
                    {{ lot.expires_on === null ? 'not noted' : day(lot.expires_on)
                    }}{{ lot.expires_on !== null && lot.expires_on < today(timezone) ? ', expired' : '' }}
                </td>
                <td class="num">
                    {{
                        lot.price_cents !== null && lot.tests !== null
                            ? `${money(lot.price_cents / lot.tests)} (${number(lot.tests)} tests)`
                            : '–'
                    }}
                </td>
            </tr>
        </tbody>
    </table>
    <form novalidate class="add" @submit.prevent="save()">
        <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
        <div class="row fields">
            <FormField label="Reagent" :wrong="wrong('reagent')">
                <el-select v-model="form.reagent" style="width: 190px"
                    ><el-option v-for="one in reagents" :key="one" :value="one" :label="one"
                /></el-select>
            </FormField>
            <FormField label="Lot" :wrong="wrong('lot')"><el-input v-model="form.lot" name="lot" /></FormField>
            <FormField label="Expires on" :wrong="wrong('expires_on')"
                ><DateField v-model="form.expires_on" name="expires_on"
            /></FormField>
            <FormField label="Price of the pack" :wrong="wrong('price_cents')"
                ><el-input v-model="form.price" name="price" inputmode="decimal"
            /></FormField>
            <FormField label="Tests in it" :wrong="wrong('tests')"
                ><el-input v-model="form.tests" name="tests" inputmode="numeric"
            /></FormField>
        </div>
        <el-button native-type="submit" :loading="saving">Add the lot</el-button>
    </form>
</template>

<style scoped>
.fields {
    align-items: flex-start;
    gap: 12px;
    margin-top: 12px;
}
.fields :deep(.el-input) {
    width: 116px;
}
.over {
    color: var(--oxide);
    font-weight: 600;
}
</style>
