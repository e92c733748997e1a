<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import { SampleLink } from '@/features/send'
import PageTurner from '@/shared/components/PageTurner.vue'
import { day, number } from '@/shared/format'
import { usePairs } from '../api'

const props = defineProps<{ evidence: Schema<'Evidence'>; against: Record<string, string | number> }>()
const page = ref(1)
const pairs = usePairs(
    () => props.evidence,
    () => props.against,
    true,
    page,
)
watch(
    () => [props.evidence.method.id, props.against],
    () => (page.value = 1),
)
const withAll = computed(() => props.evidence.claims.sort.with_all)
</script>

<template>
    <section v-if="evidence.left_out.total" class="out">
        <h2>
            Left out, with reasons
            <span class="note"
                >Counted nowhere. Put back, it would be {{ withAll.agree }} of {{ withAll.n }}:
                {{ withAll.verdict }}.</span
            >
        </h2>
        <table class="plain">
            <tbody>
                <tr v-for="pair in pairs.rows" :key="pair.code">
                    <td>
                        <svg viewBox="0 0 10 10" width="10" height="10" aria-hidden="true">
                            <path d="M1 1 9 9M9 1 1 9" stroke="var(--ink)" stroke-width="1.4" />
                        </svg>
                        <strong v-if="pair.from_records">{{ pair.code }}</strong>
                        <SampleLink v-else :id="pair.sample_id" :code="pair.code" />
                        {{ pair.area }}
                    </td>
                    <td>
                        test {{ pair.band?.name ?? number(pair.test, 2) }}, reference {{ number(pair.reference, 2) }}
                    </td>
                    <td>{{ pair.flags.join('; ') }}</td>
                    <td>{{ pair.reader }}, {{ pair.from_records ? pair.season : day(pair.read_on) }}</td>
                    <td>
                        <RouterLink
                            v-if="!pair.from_records"
                            :to="`/samples/${pair.sample_id}?correct=${pair.reading_id}`"
                            >Put back</RouterLink
                        >
                    </td>
                </tr>
            </tbody>
        </table>
        <PageTurner
            :of="pairs"
            label="Pages of what is left out"
            noun="pairs"
            :words="['Before', 'Further']"
            @turn="(to) => (page = to)"
        />
    </section>
</template>

<style scoped>
.out {
    margin-top: 16px;
}
h2 .note {
    font-family: var(--sans);
    font-weight: 400;
    margin-left: 8px;
}
td svg {
    margin-right: 4px;
}
</style>
