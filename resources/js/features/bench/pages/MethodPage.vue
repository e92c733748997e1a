<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import { forgetTyped } from '@/shared/composables/useTyped'
import { useSave } from '@/shared/composables/useSave'
import { day, number } from '@/shared/format'
import { money } from '@/shared/money'
import BenchTabs from '../components/BenchTabs.vue'
import type { Draft } from '../definition'
import LotForm from '../components/LotForm.vue'
import MethodForm from '../components/MethodForm.vue'
import SheetLinks from '../components/SheetLinks.vue'
import { useBenchLibrary, useMethod } from '../api'

/** One method: its steps, times, conditions and bands, each change a new version with its reason. */
const route = useRoute()
const queries = useQueryClient()
const id = computed(() => Number(route.params.method))
const { data: method } = useMethod(id)
const { data: library } = useBenchLibrary()
const shown = computed(() => (method.value?.definition ?? null) as unknown as Draft | null)
const draft = ref<Draft | null>(null)
const breaks = computed(() => library.value?.protocol_breaks ?? [])
const nameOf = (code: string | undefined): string => breaks.value.find((one) => one.code === code)?.name ?? ''

const { save, saving, refusal, clear } = useSave(
    (why: string) =>
        api.put(
            '/methods/{method}',
            { definition: draft.value as unknown as Record<string, unknown>, why, follows: method.value?.version ?? 0 },
            { ids: { method: id.value } },
        ),
    async (answer) => {
        forgetTyped(`method-${String(draft.value?.name)}`)
        draft.value = null
        queries.setQueryData(['method', id.value], answer)
        await queries.invalidateQueries()
    },
)
function revise(): void {
    clear()
    draft.value = JSON.parse(JSON.stringify(shown.value)) as Draft
}
const KINDS = { act: 'do', timed: 'do for a time', wait: 'wait', read: 'read' }
</script>

<template>
    <template v-if="method && shown">
        <PageHead
            over="Bench, methods"
            :title="method.name"
            :lede="`Version ${method.version}. ${shown.minutes} minutes and ${money(shown.cost_cents)} a test, as it says itself.`"
        >
            <BenchTabs />
        </PageHead>
        <MethodForm
            v-if="draft"
            v-model="draft"
            :fresh="false"
            :analytes="library?.analytes ?? []"
            :breaks="breaks"
            :refusal="refusal"
            :saving="saving"
            :act="`Set version ${(method.version ?? 0) + 1}`"
            @save="save"
            @leave="draft = null"
        />
        <template v-else>
            <div class="row heads">
                <h2>Steps</h2>
                <el-button @click="revise">Revise the method</el-button>
            </div>
            <table class="plain">
                <thead>
                    <tr>
                        <th>Step</th>
                        <th>Kind</th>
                        <th>Amount</th>
                        <th class="num">At least, s</th>
                        <th class="num">Aim, s</th>
                        <th class="num">At most, s</th>
                        <th>Too short</th>
                        <th>Too long</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="step in shown.steps" :key="step.code">
                        <td>{{ step.do }}</td>
                        <td class="narrow">{{ KINDS[step.kind] }}</td>
                        <td class="narrow">{{ step.amount ?? '' }}</td>
                        <template v-if="step.aim_s !== undefined">
                            <td class="num">{{ number(step.least_s) }}</td>
                            <td class="num">{{ number(step.aim_s) }}</td>
                            <td class="num">{{ number(step.most_s) }}</td>
                        </template>
                        <td v-else colspan="3" class="note">
                            {{ step.stokes_um === undefined ? '' : `by Stokes’ law for ${step.stokes_um} µm` }}
                        </td>
                        <td class="narrow">{{ nameOf(step.short) }}</td>
                        <td class="narrow">{{ nameOf(step.long) }}</td>
                    </tr>
                </tbody>
            </table>
        </template>
        <div class="columns two">
            <div>
                <section>
                    <h2>Take care</h2>
                    <p v-for="hazard in shown.hazards" :key="hazard">{{ hazard }}</p>
                    <SheetLinks :method="method" />
                </section>
                <section v-if="shown.reagents.length">
                    <h2>Lots</h2>
                    <LotForm :method="method" :reagents="shown.reagents.map(({ name }) => name)" />
                </section>
            </div>
            <div>
                <section v-if="method.scale?.bands && !draft">
                    <h2>Scale</h2>
                    <table class="plain">
                        <tbody>
                            <tr v-for="band in method.scale.bands" :key="band.name">
                                <td><span class="tint" :style="{ background: band.hex ?? 'transparent' }"></span></td>
                                <td>{{ band.name }}</td>
                                <td class="num">
                                    {{ band.lower ?? 'open' }} to {{ band.upper ?? 'open' }} {{ shown.unit }}
                                </td>
                                <td class="note">{{ band.shown ? '' : 'outside of what a screen can show' }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <p v-if="shown.scale.table" class="note">
                        {{ shown.scale.table.map(({ from, to, band }) => `${from}–${to} drops: ${band}`).join('; ') }}.
                    </p>
                </section>
                <section>
                    <h2>Versions</h2>
                    <table class="plain">
                        <tbody>
                            <tr v-for="one in method.versions" :key="one.version">
                                <td class="num">{{ one.version }}</td>
                                <td>{{ one.why }}</td>
                                <td class="narrow">{{ one.by ?? '' }}, {{ day(one.at) }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <p v-if="shown.source" class="note">{{ shown.source }}</p>
                </section>
            </div>
        </div>
    </template>
</template>

<style scoped>
.heads {
    justify-content: space-between;
    margin-bottom: 4px;
}
.two {
    grid-template-columns: 1fr 1fr;
    margin-top: 22px;
}
.tint {
    display: inline-block;
    width: 34px;
    height: 18px;
    border: 1px solid var(--hair);
    vertical-align: middle;
}
section {
    margin-bottom: 18px;
}
</style>
