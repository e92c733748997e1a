<script setup lang="ts">
import type { Schema } from '@/api/client'
import { count, day, depth } from '@/shared/format'
import { money } from '@/shared/money'

/** A lab as it is known: times, tests with their fees, what its form asks. */
defineProps<{ lab: Schema<'Lab'>; service: Schema<'Labs'>['service'] }>()
defineEmits<{ change: [] }>()
</script>

<template>
    <section class="lab">
        <h2>{{ lab.name }}</h2>
        <p>
            {{ lab.address }}{{ lab.email ? `, ${lab.email}` : '' }}. {{ count(lab.transit_days, 'day') }} on the way,
            then {{ count(lab.turnaround_days, 'working day') }};
            {{
                lab.holidays.length
                    ? `closed on ${lab.holidays.map((one) => day(one)).join(', ')}`
                    : 'no holidays known'
            }}. Bag of {{ lab.bag_ml }} ml.
            <template v-if="lab.service">{{
                service.there
                    ? service.simulated
                        ? 'Its interface here is simulated.'
                        : 'Told of consignments by its interface.'
                    : 'It has an interface, which is not set up here.'
            }}</template>
        </p>
        <p v-if="lab.quarantine" class="warning">{{ lab.quarantine }}</p>
        <table class="plain">
            <thead>
                <tr>
                    <th>Test</th>
                    <th>Method</th>
                    <th>Extractant</th>
                    <th>Unit</th>
                    <th>Calibrated for</th>
                    <th class="num">Soil, ml</th>
                    <th class="num">Fee</th>
                    <th>Outside</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="test in lab.tests" :key="test.code">
                    <td>
                        {{ test.name }} <span class="note">{{ test.code }}</span>
                    </td>
                    <td>{{ test.method }}</td>
                    <td>{{ test.extractant }}</td>
                    <td>{{ test.unit }}</td>
                    <td>{{ test.depth ? depth(test.depth) : 'any depth' }}</td>
                    <td class="num">{{ test.needs_ml }}</td>
                    <td class="num">{{ money(test.fee_cents) }}</td>
                    <td>{{ test.outside }}</td>
                </tr>
            </tbody>
        </table>
        <p class="note">
            Form:
            {{
                lab.form.map(({ label, required }) => (required ? label : `${label} (optional)`)).join(', ') || 'none'
            }}. List: {{ lab.columns.map(({ column }) => column).join(', ') }}.
        </p>
        <button type="button" class="link" @click="$emit('change')">Change</button>
    </section>
</template>

<style scoped>
.lab {
    margin-bottom: 22px;
}
</style>
