<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { SampleLink } from '@/features/send'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { count, day, depth, number } from '@/shared/format'

/** What a recommendation rests on: sample, readings, verdict and policy. */
const props = defineProps<{ it: Schema<'Recommendation'>; timezone: string }>()
const buffers = computed(() => {
    const lab = props.it.lab
    const found = [
        [lab?.mehlich_buffer_ph, 'Mehlich'] as const,
        [lab?.smp_buffer_ph, 'SMP'] as const,
        [lab?.adams_evans_buffer_ph, 'Adams-Evans'] as const,
    ].filter(([value]) => value != null)
    return found.length
        ? `buffer pH ${found.map(([value, school]) => `${number(value, 2)} ${school}`).join(', ')}`
        : 'no buffer pH reported'
})
</script>

<template>
    <section>
        <h2>What it is built on</h2>
        <table class="plain">
            <tbody>
                <tr v-if="it.sample">
                    <td>Sample</td>
                    <td>
                        <SampleLink :id="it.sample.id" :code="it.sample.code" />, {{ depth(it.sample.depth) }},
                        {{ count(it.sample.cores_pulled, 'core') }}, {{ day(it.sample.pulled_on) }}
                    </td>
                </tr>
                <tr v-if="it.lab">
                    <td>{{ it.lab.by_test ? 'Test' : it.pooled ? 'Pooled' : 'Lab' }}</td>
                    <td>
                        pH {{ number(it.lab.ph, 2)
                        }}{{ it.lab.uncertainty ? ` ± ${number(it.lab.uncertainty, 2)}` : '' }}, {{ buffers }};
                        {{ it.lab.method }}, {{ day(it.lab.read_on) }}
                    </td>
                </tr>
                <tr v-if="it.kit">
                    <td>Bench</td>
                    <td>
                        {{ it.kit.method }} reads {{ it.kit.band }}: {{ it.kit.action ?? 'cannot sort'
                        }}{{ it.lab ? '; the lab goes before it' : '' }}
                    </td>
                </tr>
                <tr v-if="it.verdict">
                    <td>Its verdict</td>
                    <td>
                        <VerdictStone :verdict="it.verdict.verdict" />, signed by {{ it.verdict.signed_by }},
                        {{ day(it.verdict.signed_at, timezone) }}, policy {{ it.verdict.policy_version
                        }}<strong v-if="it.verdict_moved" class="moved"
                            >. New evidence since: look at it before you build on this.</strong
                        >
                    </td>
                </tr>
                <tr>
                    <td>Limits</td>
                    <td>
                        {{ it.crop.name }}: lime below {{ number(it.crop.low, 1) }}, too high from
                        {{ number(it.crop.high, 1) }}, sized for {{ number(it.crop.target, 1) }}; policy
                        {{ it.policy_version }}
                    </td>
                </tr>
            </tbody>
        </table>
    </section>
</template>

<style scoped>
.moved {
    color: var(--amber-text);
}
td:first-child {
    width: 110px;
    color: var(--ink-2);
}
</style>
