<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, number } from '@/shared/format'
import { shownIn, unitOf } from '@/shared/measures'
import { useClass } from '../api'
import { CLAIMS } from '../words'

/** A class: results of the same ground side by side, for those who have signed and for who leads it. */
const route = useRoute()
const { units } = useSite()
const { data, error } = useClass(() => Number(route.params.class))
const signed = computed(() => data.value?.results.filter((one) => one.signed).length ?? 0)
const told = computed(() => data.value?.results.some(({ season }) => season) ?? false)
const lede = computed(() =>
    data.value
        ? `${data.value.lesson ?? `Open ground, ${data.value.level}`}. ` +
          `${count(data.value.people, 'person', 'people')} on it, ${number(signed.value)} signed.`
        : '',
)
</script>

<template>
    <PageHead over="Practice" :title="data?.name ?? 'Class'" :lede="lede">
        <RouterLink to="/practice">Back to practice</RouterLink>
    </PageHead>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <template v-if="data">
        <p>
            Others join it under Practice by the code <strong class="code">{{ data.code }}</strong>.
        </p>
        <p v-if="!told" class="note">
            {{
                signed
                    ? 'Results are seen by those who have signed themselves.'
                    : 'Nobody has signed yet. Results stand here once somebody has.'
            }}
        </p>
        <div v-if="data.results.length">
            <table class="plain">
                <thead>
                    <tr>
                        <th>Who</th>
                        <th>State</th>
                        <th class="num">Composites</th>
                        <th class="num">Cores</th>
                        <th class="num">Furthest off, pH</th>
                        <th class="num">Fees</th>
                        <th class="num">Lime misplaced, {{ unitOf('load', units) }}</th>
                        <th class="num">Cost in all</th>
                        <th>Signed</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in data.results" :key="one.place" :class="{ own: one.own }">
                        <td>{{ one.name ?? `Person ${one.place}` }}{{ one.own ? ' (you)' : '' }}</td>
                        <td>{{ one.signed ? 'signed' : 'at work' }}</td>
                        <template v-if="one.season">
                            <td class="num">{{ one.season.composites }}</td>
                            <td class="num">{{ one.season.cores }}</td>
                            <td class="num">
                                {{ one.season.off_ph === null ? 'none' : number(one.season.off_ph, 2) }}
                            </td>
                            <td class="num">{{ number(one.season.fees) }}</td>
                            <td class="num">
                                {{ number(shownIn(one.season.misplaced_tons, 'load', units), 1) }}
                            </td>
                            <td class="num">{{ number(one.season.total) }}</td>
                            <td>
                                {{
                                    one.season.verdicts
                                        .map(({ claim, verdict }) => `${CLAIMS[claim] ?? claim}: ${verdict}`)
                                        .join(', ') || 'a program'
                                }}
                            </td>
                        </template>
                        <td v-else colspan="7" class="note">{{ one.signed ? 'seen once you have signed' : '' }}</td>
                    </tr>
                </tbody>
            </table>
        </div>
    </template>
</template>

<style scoped>
.code {
    letter-spacing: 0.08em;
    font-feature-settings: 'lnum';
}
.own td {
    font-weight: 600;
}
</style>
