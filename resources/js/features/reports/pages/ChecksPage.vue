<script setup lang="ts">
import { computed } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import { count, day, number } from '@/shared/format'
import ControlChart from '../components/ControlChart.vue'
import { useCheckCharts } from '../api'

/** Check soils on their charts: does each lab still find what it should? */
const { data: charts } = useCheckCharts()
const signals = computed(
    () => (charts.value ?? []).flatMap((chart) => chart.points.filter(({ signal }) => signal)).length,
)
const lede = computed(() => {
    const n = charts.value?.length ?? 0
    if (!n)
        return (
            'No check soil has come back from a lab yet. Slip one into a consignment: it tells whether the lab ' +
            'still finds what it should.'
        )
    return signals.value
        ? `${count(signals.value, 'result')} of a check soil ${signals.value === 1 ? 'breaks' : 'break'} a rule of the chart.`
        : `${count(n, 'chart')}; no result breaks a rule.`
})
</script>

<template>
    <template v-if="charts">
        <PageHead over="Reports" title="Check soils" :lede="lede">
            <RouterLink to="/reports">Back to the reports</RouterLink>
            <RouterLink to="/send">Slip one in</RouterLink>
        </PageHead>
        <section v-for="chart in charts" :key="`${chart.soil} ${chart.method}`">
            <h2>{{ chart.soil }}: {{ chart.series }}</h2>
            <p class="note">
                {{ chart.method }}.
                {{
                    chart.known
                        ? 'Centre and limits are the soil’s own value and uncertainty, with that of the method.'
                        : chart.points.length < 8
                          ? 'Centre and limits are of these results; the rules are asked from eight on.'
                          : 'Centre and limits are of these results: the mean moving range over 1.128, three sigma.'
                }}
            </p>
            <div class="columns two">
                <ControlChart :chart="chart" />
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Reported</th>
                            <th>Portion</th>
                            <th class="num">Value</th>
                            <th class="num">Range</th>
                            <th>Rule</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="(point, i) in chart.points" :key="i">
                            <td>
                                <RouterLink :to="`/reports/${point.report_id}`">{{ day(point.read_on) }}</RouterLink>
                            </td>
                            <td class="narrow">{{ point.portion }}</td>
                            <td class="num">{{ number(point.value, 2) }}</td>
                            <td class="num">{{ number(point.range, 2) }}</td>
                            <td class="narrow" :class="{ wrong: point.signal }">
                                {{ point.signal ?? 'as it should be' }}
                            </td>
                        </tr>
                    </tbody>
                </table>
            </div>
        </section>
    </template>
</template>

<style scoped>
section {
    margin-bottom: 28px;
}
.two {
    grid-template-columns: minmax(280px, 1fr) minmax(0, 430px);
}
td:nth-child(-n + 2) {
    white-space: nowrap;
}
</style>
