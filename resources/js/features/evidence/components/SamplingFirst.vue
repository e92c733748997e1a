<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { count, number, share } from '@/shared/format'

/** Where the spread of the reference comes from: the ground, the sampling or the analysis; and what that makes too close to call. */
const props = defineProps<{ evidence: Schema<'Evidence'> }>()
const sampling = computed(() => props.evidence.sampling)
const digits = computed(() => (props.evidence.method.analyte === 'ph' ? 2 : 1))
const sd = (value: number | null): string => (value === null ? 'not measured' : number(value, digits.value + 1))
const rows = computed(() => {
    const split = sampling.value.split
    if (!split) return []
    return [
        { part: 'ground, from place to place', key: 'sd_between', share: split.share.between },
        { part: 'sampling', key: 'sd_sampling', share: split.share.sampling },
        { part: 'analysis', key: 'sd_analysis', share: split.share.analysis },
        { part: 'sampling and analysis', key: 'sd_measurement', share: null },
    ].map((one) => ({
        ...one,
        robust: split.robust[one.key as keyof typeof split.robust],
        classical: split.classical[one.key as keyof typeof split.robust],
    }))
})
/** Of what is not ground, the part that is sampling. */
const part = computed(() => {
    const robust = sampling.value.split?.robust
    return robust && robust.sd_measurement > 0 ? (robust.sd_sampling / robust.sd_measurement) ** 2 : null
})
const from = computed(
    () =>
        `${sampling.value.method}: ${count(sampling.value.pairs_of_composites, 'pair')} of duplicate composites, ` +
        `${count(sampling.value.hidden_pairs, 'hidden duplicate')}.`,
)
</script>

<template>
    <section>
        <h2>Sampling first</h2>
        <p v-for="word in sampling.words" :key="word" class="note">{{ word }}</p>
        <template v-if="sampling.split">
            <figure v-if="part !== null" :aria-label="`Of what is not ground, sampling is ${share(part)}.`">
                <div class="bar" aria-hidden="true">
                    <span class="sampling" :style="{ flexGrow: part }" />
                    <span class="analysis" :style="{ flexGrow: 1 - part }" />
                </div>
                <figcaption>
                    Of what is not ground: sampling {{ share(part) }}, analysis {{ share(1 - part) }}
                </figcaption>
            </figure>
            <table class="plain">
                <thead>
                    <tr>
                        <th>Standard deviation</th>
                        <th class="num">Robust</th>
                        <th class="num">Classical</th>
                        <th class="num">Share</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="row in rows" :key="row.key">
                        <td>{{ row.part }}</td>
                        <td class="num">{{ number(row.robust, digits + 1) }}</td>
                        <td class="num">{{ number(row.classical, digits + 1) }}</td>
                        <td class="num">{{ row.share === null ? '' : share(row.share) }}</td>
                    </tr>
                </tbody>
            </table>
            <p v-for="reason in sampling.split.reasons" :key="reason" class="note">{{ reason }}</p>
        </template>
        <table class="plain">
            <tbody>
                <template v-if="!sampling.split">
                    <tr>
                        <td>Sampling and analysis, standard deviation</td>
                        <td class="num">{{ sd(sampling.sd_measurement) }}</td>
                    </tr>
                    <tr>
                        <td>Analysis alone</td>
                        <td class="num">{{ sd(sampling.sd_analysis) }}</td>
                    </tr>
                </template>
                <tr>
                    <td>Expanded uncertainty, twice sampling and analysis</td>
                    <td class="num">
                        {{ sampling.expanded === null ? 'not measured' : `± ${number(sampling.expanded, digits)}` }}
                    </td>
                </tr>
                <tr>
                    <td>Used for “too close to call”, never less than stated</td>
                    <td class="num">
                        {{ sampling.used === null ? 'nothing is known' : `± ${number(sampling.used, digits)}` }}
                    </td>
                </tr>
                <tr>
                    <td>Pairs too close to call by it</td>
                    <td class="num">
                        {{ sampling.close === null ? '–' : `${sampling.close} of ${evidence.pairs.total}` }}
                    </td>
                </tr>
            </tbody>
        </table>
        <p class="note">{{ from }}</p>
    </section>
</template>

<style scoped>
figure {
    margin: 6px 0 8px;
}
.bar {
    display: flex;
    height: 12px;
    border: 1px solid var(--line);
}
.sampling {
    background: var(--umber);
}
.analysis {
    background: repeating-linear-gradient(135deg, var(--line) 0 1px, var(--sheet) 1px 5px);
}
figcaption {
    margin-top: 3px;
    color: var(--ink-2);
}
table + table {
    margin-top: 8px;
}
</style>
