<script setup lang="ts">
import type { Schema } from '@/api/client'
import { number, signed } from '@/shared/format'

/** Labs beside one another on the same composites; by factors where the analyte goes by them. */
defineProps<{ pairs: Schema<'SideBySide'>['labs']; ratio: boolean }>()
</script>

<template>
    <section class="labs">
        <h2>Lab beside lab</h2>
        <table class="plain">
            <thead>
                <tr>
                    <th>Labs, by the same extractant</th>
                    <th class="num">Composites</th>
                    <th class="num">Mean difference</th>
                    <th class="num">95 % of them lie between</th>
                    <th class="num">Same action</th>
                    <th class="num">Too close to call</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="pair in pairs" :key="`${pair.one} ${pair.other}`">
                    <td>{{ pair.other }} − {{ pair.one }}</td>
                    <td class="num">{{ pair.n }}</td>
                    <td class="num">
                        {{ ratio ? `× ${number(Math.exp(pair.mean ?? 0), 2)}` : signed(pair.mean) }}
                    </td>
                    <td class="num">
                        {{
                            pair.lower === null
                                ? 'more composites are needed'
                                : ratio
                                  ? `× ${number(Math.exp(pair.lower), 2)} to ${number(Math.exp(pair.upper ?? 0), 2)}`
                                  : `${signed(pair.lower)} to ${signed(pair.upper)}`
                        }}
                    </td>
                    <td class="num">{{ pair.same === null ? '–' : `${pair.same} of ${pair.n}` }}</td>
                    <td class="num">{{ pair.close ?? '–' }}</td>
                </tr>
            </tbody>
        </table>
    </section>
</template>
