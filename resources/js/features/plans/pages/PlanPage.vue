<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { useUnderlays } from '@/shared/composables/useUnderlays'
import { count, day, extent, number } from '@/shared/format'
import GroundMap from '@/shared/map/GroundMap.vue'
import BucketBar from '../components/BucketBar.vue'
import CalendarPanel from '../components/CalendarPanel.vue'
import MarginChart from '../components/MarginChart.vue'
import PlanForm from '../components/PlanForm.vue'
import { useDraft, useSavedPlan } from '../composables/useDraft'
import { useSchools } from '../api'
import { usePlans } from '@/shared/api'
import PlanCosts from '../components/PlanCosts.vue'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { site, siteId, areas, landmarks, units, timezone } = useSite()
const { pictures } = useUnderlays(siteId)
const areaId = computed<number | null>(() => Number(route.params.area) || (areas.value[0]?.id ?? null))
const area = computed(() => areas.value.find((one) => one.id === areaId.value) ?? null)
const plans = usePlans(siteId)
const ofArea = computed(() => plans.data.value?.filter((plan) => plan.area_id === areaId.value) ?? [])
const planId = ref<number | null>(null)
watch(
    [areaId, ofArea],
    () => {
        const asked = Number(route.query.plan) || null
        planId.value = (ofArea.value.find((plan) => plan.id === asked) ?? ofArea.value[0])?.id ?? null
    },
    { immediate: true },
)
const schools = useSchools()
const school = computed(() => schools.data.value?.find((one) => one.code === site.value?.school))
const placing = ref<'' | 'Point' | 'Polygon'>('')
const saved = useSavedPlan(planId)
const ready = computed(
    () =>
        !plans.isPending.value &&
        !schools.isPending.value &&
        (planId.value === null || saved.value?.id === planId.value),
)
const { spec, kept, layout, wrong, busy, body, same, shuffle } = useDraft(
    areaId,
    landmarks,
    saved,
    ready,
    school,
    units,
)
const typedHere = useTyped(
    () => `the plan of ${area.value?.name ?? 'an area'}`,
    () => (ready.value && areaId.value !== null && site.value ? `plan-${areaId.value}-${planId.value ?? 'new'}` : ''),
    { spec, kept },
)
watch([areaId, planId, saved, ready, landmarks, site], () => typedHere.begin(), { flush: 'post' })
const away = computed(() => kept.value.filter((one) => one.on))
const pulled = computed(() => saved.value?.samples ?? [])

const {
    save,
    saving,
    refusal,
    wrong: wrongOf,
} = useSave(
    () =>
        saved.value && pulled.value.length === 0
            ? api.put('/plans/{plan}', { ...body.value, state: saved.value.state }, { ids: { plan: saved.value.id } })
            : api.post('/areas/{area}/plans', body.value, { ids: { area: areaId.value ?? 0 } }),
    async (plan) => {
        typedHere.settle()
        queries.setQueryData(['plan', plan.id], plan)
        // The address first: whoever goes on at once is not called back to it when all is read anew.
        await router.replace({ path: `/plans/${plan.area.id}`, query: { plan: plan.id } })
        await Promise.all(['plans', 'site', 'today'].map((key) => queries.invalidateQueries({ queryKey: [key] })))
    },
)
const parts = computed(() =>
    spec.zones
        ? (spec.zones.coordinates as number[][][][]).map((outline, i) => ({ number: i + 1, outline }))
        : (layout.value?.composites ?? []),
)
const start = computed<Schema<'Geometry'> | null>(() =>
    spec.start ? { type: 'Point', coordinates: spec.start } : null,
)
function place(geometry: Schema<'Geometry'>): void {
    if (placing.value === 'Point') spec.start = geometry.coordinates as [number, number]
    else
        spec.zones = {
            type: 'MultiPolygon',
            coordinates: [...((spec.zones?.coordinates as unknown[]) ?? []), geometry.coordinates],
        }
    placing.value = ''
}
const state = computed(() => {
    const plan = saved.value
    if (!plan) return 'not saved yet'
    if (!same.value)
        return pulled.value.length
            ? `changed; saving makes a new plan, as ${pulled.value[0]} was pulled by this one`
            : 'changed, not saved'
    return (
        `saved ${day(plan.saved_at, timezone.value)} by ` +
        `${plan.author}${pulled.value.length ? `, pulled as ${pulled.value.join(', ')}` : ''}`
    )
})
</script>

<template>
    <div v-if="site && area" class="plan">
        <section class="left">
            <p class="over">{{ site.name }}, {{ extent(area.area_m2, units) }} {{ area.use_name }}</p>
            <h1>{{ area.name }}</h1>
            <p class="note state">Plan {{ state }}.</p>
            <table class="plain list">
                <tbody>
                    <tr v-for="one in areas" :key="one.id" :class="{ chosen: one.id === areaId }">
                        <td>
                            <RouterLink :to="`/plans/${one.id}`">{{ one.name }}</RouterLink>
                        </td>
                        <td class="num">{{ extent(one.area_m2, units) }}</td>
                    </tr>
                </tbody>
            </table>
            <PlanForm
                v-model:spec="spec"
                v-model:kept="kept"
                :units="units"
                :wrong="wrong"
                :schools="schools.data.value ?? []"
                :area-id="areaId ?? 0"
                :placing="placing"
                @shuffle="shuffle"
                @place="(what) => (placing = what)"
            />
            <label v-if="ofArea.length > 1" class="field">
                <span class="label">Earlier plans of this area</span>
                <OneOf
                    :model-value="planId ?? ''"
                    size="default"
                    :options="
                        ofArea.map(
                            (plan) =>
                                [
                                    plan.id,
                                    `${day(plan.saved_at, timezone)}, ${plan.cores} ` +
                                        `cores${plan.samples.length ? `, ${plan.samples.join(', ')}` : ''}`,
                                ] as const,
                        )
                    "
                    @update:model-value="
                        (id: number | '') => router.replace({ path: `/plans/${areaId}`, query: { plan: id } })
                    "
                />
            </label>
        </section>
        <div class="map">
            <GroundMap
                :label="`Plan map of ${area.name}`"
                :units="units"
                :centre="[site.longitude, site.latitude]"
                :areas="areas"
                :chosen="areaId"
                :marks="landmarks"
                :away="away"
                :edge-m="spec.edge_m"
                :cores="layout?.cores ?? []"
                :parts="parts"
                :pictures="pictures"
                :draft="start"
                :mode="placing || 'look'"
                fit-to="chosen"
                @drawn="place"
                @choose="(id) => router.push(`/plans/${id}`)"
            />
        </div>
        <section class="right">
            <div v-if="wrong" class="warning" role="alert">{{ wrong.message }}</div>
            <template v-if="area.advice.length && spec.cell_acres === null && !spec.zones">
                <div class="warning">
                    <div>
                        <strong>Split this area</strong>
                        <p v-for="reason in area.advice" :key="reason" class="why">{{ reason }}</p>
                        <RouterLink :to="`/areas?area=${area.id}`">Split it</RouterLink>, plan it by cell or zone, or
                        keep it as one:
                    </div>
                </div>
                <FormField label="Why it stays one composite" :wrong="wrongOf('kept_reason')">
                    <el-input v-model="spec.kept_reason" type="textarea" :rows="2" name="kept-reason" />
                </FormField>
            </template>
            <TypedBefore :typed="typedHere" />
            <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
            <p v-else-if="refusal && !refusal.fields.kept_reason" class="wrong" role="alert">{{ refusal.message }}</p>
            <template v-if="layout">
                <PlanCosts :layout="layout" :layers="spec.layers" :units="units" :busy="busy" />
                <h3>Margin on pH by cores</h3>
                <MarginChart :curve="layout.margin_curve" :cores="layout.cores.length" :margin="layout.margin" />
                <p><RouterLink :to="`/plans/${areaId}/compare`">One composite, zones or a grid?</RouterLink></p>
                <BucketBar :bucket="layout.bucket" />
                <div v-if="layout.quality" class="quality">
                    <h3>Quality control</h3>
                    <p data-fact="quality">
                        Costs {{ count(layout.quality.cores, 'core') }} and {{ number(layout.quality.minutes) }} min
                        more, {{ count(layout.quality.samples, 'sample') }} at the lab, about
                        {{ number(layout.quality.fees) }} in fees by a usual fee.
                        <template v-if="layout.quality.usual"
                            >Usual for so many composites: {{ layout.quality.usual }} of each.</template
                        >
                    </p>
                    <p v-for="words in layout.quality.words" :key="words">{{ words }}</p>
                </div>
                <div v-for="warning in layout.warnings" :key="warning" class="warning">{{ warning }}</div>
            </template>
            <p v-for="why in saved?.too_soon ?? []" :key="why" class="warning">{{ why }}</p>
            <div v-if="saved?.boundary_moved" class="warning">
                The boundary of this area was changed after this plan was saved. The map shows the new one; save to plan
                on it.
            </div>
            <div class="row buttons">
                <el-button type="primary" :disabled="same && !saved?.boundary_moved" :loading="saving" @click="save()">
                    {{ pulled.length ? 'Save as a new plan' : 'Save the plan' }}
                </el-button>
                <RouterLink v-if="saved && same && !pulled.length" :to="`/pull/${saved.id}`">Pull it</RouterLink>
                <RouterLink v-if="saved && same" :to="`/sheets/${saved.id}`">Field sheet</RouterLink>
            </div>
            <p v-if="saved && same" class="note">
                Points for a receiver:
                <a
                    v-for="format in ['gpx', 'geojson', 'kml', 'csv']"
                    :key="format"
                    :href="`/api/plans/${saved.id}/points/${format}`"
                    class="format"
                    >{{ format.toUpperCase() }}</a
                >
            </p>
            <CalendarPanel v-if="saved" :plan-id="saved.id" />
            <p v-if="area.samples" class="note">{{ count(area.samples, 'composite') }} pulled from this area so far.</p>
        </section>
    </div>
    <div v-else-if="site">
        <h1>Plans</h1>
        <p class="lede">
            A plan lays cores over an area.
            <RouterLink to="/areas">Draw the first area.</RouterLink>
        </p>
    </div>
</template>

<style scoped>
.plan {
    display: grid;
    grid-template-columns: 244px minmax(280px, 1fr) 272px;
    gap: 20px;
    align-items: start;
}
.state {
    margin: 4px 0 8px;
}
.list {
    margin-bottom: 12px;
}
.list td {
    padding: 3px 6px 3px 4px;
}
.list td.num {
    padding-right: 4px;
}
.map {
    height: calc(100vh - 66px);
    min-height: 480px;
    position: sticky;
    top: 12px;
}
.why {
    margin: 4px 0;
}
.buttons {
    margin: 12px 0;
}

.format + .format {
    margin-left: 8px;
}
h3 {
    margin-top: 8px;
}
@media screen and (max-width: 700px) {
    .plan {
        grid-template-columns: minmax(0, 1fr);
    }
    .map {
        position: static;
        height: 62vh;
        min-height: 300px;
    }
}
</style>
