<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { bearing, day, depth, length, number } from '@/shared/format'
import PlanOnPaper from '../components/PlanOnPaper.vue'
import { useChoices, usePlan } from '@/shared/api'
import { useSheet } from '../api'
import OneOf from '@/shared/components/OneOf.vue'

const route = useRoute()
const { site, units, timezone } = useSite()
const planId = computed(() => Number(route.params.plan))
const { data: plan } = usePlan(planId)
const choices = useChoices()
const tests = ref<string[]>(['ph'])
const composite = ref<number | 'all'>(1)
const { data: sheet } = useSheet(planId, tests)
const shown = computed(() =>
    (plan.value?.layout.composites ?? [])
        .filter(({ number }) => composite.value === 'all' || number === composite.value)
        .map((one) => ({
            ...one,
            places: plan.value?.layout.cores.filter((core) => core.composite === one.number) ?? [],
        })),
)
const parts = computed(() => plan.value?.layout.composites.length ?? 0)
const print = (): void => window.print()
</script>

<template>
    <template v-if="plan && site && sheet">
        <PageHead
            :over="`${site.name}, ${site.address}. Field sheet, plan of ${day(plan.saved_at, timezone)}`"
            :title="plan.area.name"
        >
            <RouterLink :to="`/plans/${plan.area.id}?plan=${plan.id}`">Back to the plan</RouterLink>
            <el-button type="primary" @click="print">Print</el-button>
        </PageHead>
        <div class="row no-print choices">
            <el-checkbox-group v-model="tests">
                <el-checkbox v-for="test in choices.data.value?.tests ?? []" :key="test.code" :value="test.code">{{
                    test.name
                }}</el-checkbox>
            </el-checkbox-group>
            <label v-if="parts > 1">
                Composite
                <OneOf
                    v-model="composite"
                    class="composite"
                    :options="[
                        ['all', `all ${parts}`],
                        ...plan.layout.composites.map(({ number: n }) => [n, `${n} of ${parts}`] as const),
                    ]"
                />
            </label>
        </div>
        <div v-for="(one, i) in shown" :key="one.number" class="columns sheet">
            <section>
                <PlanOnPaper :plan="plan" :composite="one.number" :units="units" />
                <p class="note">
                    Receivers stand within about {{ units === 'us' ? '16 ft' : '5 m' }}: the core counts, not the point.
                    Keep off the hatched ground.
                </p>
                <table class="plain legs">
                    <thead>
                        <tr>
                            <th class="num">Core</th>
                            <th>Way from the one before</th>
                            <th class="num">Latitude</th>
                            <th class="num">Longitude</th>
                            <th>Done</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="core in one.places" :key="core.sequence">
                            <td class="num">{{ core.sequence }}</td>
                            <td>
                                {{
                                    core.leg_m === null
                                        ? 'start'
                                        : `${length(core.leg_m, units)} ${core.bearing_deg === null ? '' : bearing(core.bearing_deg)}`
                                }}
                            </td>
                            <td class="num">{{ core.latitude.toFixed(5) }}</td>
                            <td class="num">{{ core.longitude.toFixed(5) }}</td>
                            <td>☐</td>
                        </tr>
                    </tbody>
                </table>
            </section>
            <section>
                <h2>
                    {{ parts > 1 ? `Composite ${one.number}: ` : '' }}{{ one.cores }} cores,
                    {{ plan.spec.layers.map(depth).join(' and ') }}
                </h2>
                <p>
                    {{ length(one.walk_m, units) }} on foot; the whole plan about {{ number(plan.layout.minutes) }} min.
                    A composite for each layer.
                </p>
                <p v-if="plan.spec.kept_reason"><strong>Kept as one composite:</strong> {{ plan.spec.kept_reason }}</p>
                <p v-if="plan.layout.rows">
                    Across the rows: {{ plan.layout.rows.per_transect }} cores from the row to mid-row, one every 3 in.
                    Banded fertiliser: {{ plan.layout.rows.between_for_each_in_band }} cores between the bands for each
                    one in the band.
                </p>
                <template v-if="i === 0">
                    <h2>Take along</h2>
                    <ul>
                        <li v-for="tool in sheet.tools" :key="tool">{{ tool }}</li>
                    </ul>
                    <h2>Do</h2>
                    <ol>
                        <li v-for="step in sheet.steps" :key="step">{{ step }}</li>
                    </ol>
                    <h2>Take care</h2>
                    <ul>
                        <li v-for="caution in sheet.cautions" :key="caution">{{ caution }}</li>
                    </ul>
                </template>
                <h2>Labels</h2>
                <div v-for="layer in plan.spec.layers" :key="layer" class="label">
                    <strong
                        >{{ plan.area.name }}{{ parts > 1 ? `, composite ${one.number}` : '' }},
                        {{ depth(layer) }}</strong
                    >
                    <span>{{ site.name }}, {{ site.address }}</span>
                    <span>Code ____________ Date ____________ By ____________</span>
                </div>
            </section>
        </div>
    </template>
</template>

<style scoped>
.choices {
    gap: 24px;
    margin-bottom: 10px;
}
.sheet {
    grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
}
.sheet + .sheet {
    margin-top: 26px;
    border-top: 2px solid var(--ink);
    padding-top: 18px;
    break-before: page;
}
.legs td {
    padding: 2px 10px 2px 0;
}
ul,
ol {
    padding-left: 18px;
    margin: 4px 0 12px;
}
.label {
    border: 1px dashed var(--ink);
    padding: 8px 10px;
    margin: 6px 0;
    display: grid;
    gap: 4px;
    break-inside: avoid;
}
</style>
