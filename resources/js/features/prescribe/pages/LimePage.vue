<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, reactive } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite, useSiteOf } from '@/shared/composables/useSite'
import { extent, today, day } from '@/shared/format'
import BuiltOn from '../components/BuiltOn.vue'
import OtherAnalytes from '../components/OtherAnalytes.vue'
import PartsOfArea from '../components/PartsOfArea.vue'
import RateColumn from '../components/RateColumn.vue'
import { useRecommendations, useRecommendation } from '../api'

const KINDS: Record<string, string> = {
    amount: 'lime, an amount',
    leave: 'leave it',
    too_high: 'too high',
    direction: 'a direction only',
    none: 'test first',
    stop: 'stop first',
}
const route = useRoute()
const router = useRouter()
const { siteId, units, timezone } = useSite()
/** To begin with the limestone that the schools are made for. */
const material = reactive({ depth_in: 6, cce_percent: 90, through_8: 95, through_60: 50, moisture: 0 })
const asked = refDebounced(
    computed(() => ({ ...material })),
    150,
)
const lines = useRecommendations(siteId)
const areaId = computed(
    () =>
        Number(route.params.area) ||
        (lines.data.value?.find((line) => line.kind === 'amount') ?? lines.data.value?.[0])?.area_id ||
        null,
)
const sample = computed(() => Number(route.query.sample) || null)
const { data: it, error } = useRecommendation(areaId, sample, asked)
useSiteOf(
    () => (route.params.area ? it.value?.area.site_id : undefined),
    () => void router.push('/prescribe'),
)
const part = computed(() => (it.value?.parts ?? []).find((one) => one.sample_id === it.value?.sample?.id))
const print = (): void => window.print()
</script>

<template>
    <p v-if="lines.data.value?.length === 0" class="lede">
        <RouterLink to="/areas">Draw the first area</RouterLink>, and pull a composite from it.
    </p>
    <div v-else class="columns frame">
        <nav class="no-print" aria-label="Areas">
            <table class="plain">
                <thead>
                    <tr>
                        <th>Area</th>
                    </tr>
                </thead>
                <tbody>
                    <tr
                        v-for="line in lines.data.value"
                        :key="line.area_id"
                        :class="{ chosen: line.area_id === areaId }"
                    >
                        <td>
                            <RouterLink :to="`/prescribe/${line.area_id}/lime`">{{ line.area }}</RouterLink>
                            <span class="note block">{{ line.kinds.map((kind) => KINDS[kind]).join('; ') }}</span>
                        </td>
                    </tr>
                </tbody>
            </table>
        </nav>
        <article v-if="it">
            <PageHead
                :over="`${it.site.name}, ${it.site.address}. ${extent(it.area.area_m2, units)} of ${it.area.use_name}`"
                :title="it.area.name"
            >
                <RouterLink :to="`/prescribe/${it.area.id}`">The program</RouterLink>
                <el-button type="primary" @click="print">Print</el-button>
            </PageHead>
            <PartsOfArea v-if="it.parts.length" :it="it" :kinds="KINDS" />
            <p class="answer" role="status">{{ part ? `Part ${part.number}, ${part.code}. ` : '' }}{{ it.answer }}</p>
            <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
            <div v-for="note in it.notes" :key="note" class="warning">{{ note }}</div>
            <template v-if="it.rates.length">
                <div class="title">
                    <h2 class="much">How much of this stone, by the schools</h2>
                    <div class="row no-print material">
                        <FormField label="Mixed to, in"
                            ><el-input-number
                                v-model="material.depth_in"
                                :controls="false"
                                :min="1"
                                :max="12"
                                size="small"
                        /></FormField>
                        <FormField label="Carbonate equivalent, %"
                            ><el-input-number
                                v-model="material.cce_percent"
                                :controls="false"
                                :min="10"
                                :max="180"
                                size="small"
                        /></FormField>
                        <FormField label="Through 8 mesh, %"
                            ><el-input-number
                                v-model="material.through_8"
                                :controls="false"
                                :min="1"
                                :max="100"
                                size="small"
                        /></FormField>
                        <FormField label="Through 60 mesh, %"
                            ><el-input-number
                                v-model="material.through_60"
                                :controls="false"
                                :min="0"
                                :max="material.through_8"
                                size="small"
                        /></FormField>
                        <FormField label="Water, %"
                            ><el-input-number
                                v-model="material.moisture"
                                :controls="false"
                                :min="0"
                                :max="90"
                                size="small"
                        /></FormField>
                    </div>
                </div>
                <div class="schools"><RateColumn v-for="rate in it.rates" :key="rate.school" :rate="rate" /></div>
            </template>
            <div class="columns below">
                <BuiltOn :it="it" :timezone="timezone" />
                <section v-if="it.next.length || it.cautions.length">
                    <template v-if="it.next.length">
                        <h2>What to test next</h2>
                        <ul>
                            <li v-for="one in it.next" :key="one">{{ one }}</li>
                        </ul>
                    </template>
                    <template v-if="it.cautions.length">
                        <h2>Take care</h2>
                        <ul>
                            <li v-for="one in it.cautions" :key="one">{{ one }}</li>
                        </ul>
                    </template>
                </section>
            </div>
            <OtherAnalytes :area-id="it.area.id" :sample-id="sample" />
            <p class="note">
                Made {{ day(today(timezone)) }} with Honest Core. Local rules, the product label and licensed advice go
                before it.
            </p>
        </article>
        <p v-else-if="error" class="wrong" role="alert">{{ error.message }}</p>
    </div>
</template>

<style scoped>
.frame {
    grid-template-columns: 210px minmax(0, 1fr);
}
.block {
    display: block;
}
.answer {
    font: 700 22px/1.2 var(--serif);
    font-feature-settings: 'lnum';
    margin: 0 0 10px;
}
.title {
    margin: 14px 0 8px;
}
.material {
    gap: 16px;
    margin-top: 4px;
}
.material .field {
    margin: 0;
}
.material .el-input-number {
    width: 70px;
}
.schools {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 28px;
    border-top: 1px solid var(--ink);
    padding-top: 8px;
    margin-bottom: 16px;
}
.schools > * + * {
    border-left: 1px solid var(--rule);
    padding-left: 24px;
}
.below {
    grid-template-columns: 1.25fr 1fr;
    margin: 14px 0;
}
ul {
    padding-left: 16px;
    margin: 4px 0 12px;
}
@media print {
    .frame {
        display: block;
    }
    .warning {
        background: none;
    }
}
</style>
