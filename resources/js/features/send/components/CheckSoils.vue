<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { number, typed } from '@/shared/format'
import { useCheckSoils } from '../api'

/** Soils of known value that are slipped in among others. */
const queries = useQueryClient()
const { data } = useCheckSoils()
const open = ref(false)
const form = reactive({ name: '', ph: '', uncertainty: '0.1', note: '' })
const typedHere = useTyped(
    () => 'a check soil',
    () => 'check-soil-new',
    { form },
)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post('/check-soils', {
            name: form.name,
            known: { ph: { value: typed(form.ph), uncertainty: typed(form.uncertainty) } },
            note: form.note,
        }),
    async () => {
        open.value = false
        Object.assign(form, { name: '', ph: '', uncertainty: '0.1', note: '' })
        typedHere.settle()
        await queries.invalidateQueries()
    },
)
</script>

<template>
    <section>
        <h2>Check soils</h2>
        <p class="note">Soil of known value goes to the lab under an ordinary code, and tells how true the lab is.</p>
        <table v-if="data?.length" class="plain">
            <thead>
                <tr>
                    <th>Name</th>
                    <th>Known</th>
                    <th>Note</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="soil in data" :key="soil.id">
                    <td>{{ soil.name }}</td>
                    <td>
                        {{
                            Object.entries(soil.known)
                                .map(
                                    ([analyte, { value, uncertainty }]) =>
                                        `${analyte === 'ph' ? 'pH' : analyte} ${number(value, 2)} ± ${number(uncertainty, 2)}`,
                                )
                                .join(', ')
                        }}
                    </td>
                    <td>{{ soil.note }}</td>
                </tr>
            </tbody>
        </table>
        <form v-if="open" novalidate class="row" @submit.prevent="save()">
            <RefusalNote :refusal="refusal && !Object.keys(refusal.fields).length ? refusal : null" />
            <FormField label="Name" :wrong="wrong('name')"><el-input v-model="form.name" name="soil" /></FormField>
            <FormField label="Its pH" :wrong="wrong('known.ph.value')"
                ><el-input v-model="form.ph" name="known-ph" style="width: 90px"
            /></FormField>
            <FormField label="±" :wrong="wrong('known.ph.uncertainty')"
                ><el-input v-model="form.uncertainty" name="known-u" style="width: 80px"
            /></FormField>
            <FormField label="Note"><el-input v-model="form.note" name="soil-note" /></FormField>
            <el-button type="primary" native-type="submit" :loading="saving">Add it</el-button>
        </form>
        <button v-else type="button" class="link" @click="open = true">Add a check soil</button>
    </section>
</template>

<style scoped>
form {
    align-items: flex-end;
    gap: 12px;
    flex-wrap: wrap;
}
</style>
