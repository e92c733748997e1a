<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { day, number } from '@/shared/format'
import { money } from '@/shared/money'
import BenchTabs from './BenchTabs.vue'
import { codeOf, turned, type Draft, type StepDraft } from './definition'
import LotForm from './LotForm.vue'
import SheetLinks from './SheetLinks.vue'

/** One method: its steps, times, conditions and bands, each change a new version with its reason. */
const route = useRoute()
const queries = useQueryClient()
const id = computed(() => Number(route.params.method))
const { data: method } = useQuery({ queryKey: ['method', id], queryFn: () => api.get('/methods/{method}', { ids: { method: id.value } }) })
const { data: library } = useQuery({ queryKey: ['bench-library'], staleTime: Infinity, queryFn: () => api.get('/bench/library') })
const draft = ref<Draft | null>(null)
const why = ref('')
const changing = ref(false)
const fresh = (): void => {
    draft.value = method.value?.definition ? (JSON.parse(JSON.stringify(method.value.definition)) as Draft) : null
}
watch(method, () => !changing.value && fresh(), { immediate: true })
const breaks = computed(() => library.value?.protocol_breaks ?? [])

const { save, saving, refusal, wrong, clear } = useSave(
    () =>
        api.put(
            '/methods/{method}',
            { definition: draft.value as unknown as Record<string, unknown>, why: why.value, follows: method.value?.version ?? 0 },
            { ids: { method: id.value } },
        ),
    async (answer) => {
        changing.value = false
        why.value = ''
        queries.setQueryData(['method', id.value], answer)
        await queries.invalidateQueries()
    },
)
function giveUp(): void {
    changing.value = false
    clear()
    fresh()
}
function addStep(at: number): void {
    const steps = draft.value?.steps
    if (steps)
        steps.splice(at, 0, {
            code: codeOf(
                'step',
                steps.map(({ code }) => code),
            ),
            kind: 'act',
            do: '',
            hands_s: 10,
        })
}
function kindOf(step: StepDraft, kind: StepDraft['kind']): void {
    const steps = draft.value?.steps
    if (steps) steps[steps.indexOf(step)] = turned(step, kind)
}
const KINDS = { act: 'do', timed: 'do for a time', wait: 'wait', read: 'read' }
const bound = (text: string): number | null => (text.trim() === '' ? null : Number(text))
const tint = (colour: [number, number, number] | undefined): string =>
    colour ? `lab(${colour[0]}% ${colour[1]} ${colour[2]})` : 'transparent'
</script>

<template>
    <template v-if="method && draft">
        <PageHead
            over="Bench, methods"
            :title="method.name"
            :lede="`Version ${method.version}. ${draft.minutes} minutes and ${money(draft.cost_cents)} a test, as it says itself.`"
        >
            <BenchTabs />
        </PageHead>
        <form novalidate @submit.prevent="save()">
            <RefusalNote :refusal="refusal" />
            <div class="row heads">
                <h2>Steps</h2>
                <el-button v-if="!changing" @click="changing = true">Revise the method</el-button>
            </div>
            <table class="plain steps">
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
                        <th v-if="changing"><span class="sr">Change the order</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(step, i) in draft.steps" :key="step.code">
                        <template v-if="changing">
                            <td><el-input v-model="step.do" size="small" :aria-label="`What to do in step ${i + 1}`" /></td>
                            <td>
                                <el-select
                                    :model-value="step.kind"
                                    size="small"
                                    :aria-label="`Kind of step ${i + 1}`"
                                    @update:model-value="(kind: StepDraft['kind']) => kindOf(step, kind)"
                                >
                                    <el-option v-for="(words, kind) in KINDS" :key="kind" :value="kind" :label="words" />
                                </el-select>
                            </td>
                            <td>
                                <el-input
                                    :model-value="step.amount ?? ''"
                                    size="small"
                                    :aria-label="`Amount of step ${i + 1}`"
                                    @update:model-value="(text: string) => (text ? (step.amount = text) : delete step.amount)"
                                />
                            </td>
                            <template v-if="step.kind === 'timed' || (step.kind === 'wait' && step.stokes_um === undefined)">
                                <td v-for="field in ['least_s', 'aim_s', 'most_s'] as const" :key="field">
                                    <el-input-number
                                        v-model="step[field]"
                                        size="small"
                                        :controls="false"
                                        :min="0"
                                        :aria-label="`${field} of step ${i + 1}`"
                                        class="seconds"
                                    />
                                </td>
                            </template>
                            <td v-else colspan="3" class="note">
                                {{ step.stokes_um === undefined ? '' : `by Stokes’ law for ${step.stokes_um} µm` }}
                            </td>
                            <td v-for="field in ['short', 'long'] as const" :key="field">
                                <el-select
                                    v-if="step.kind === 'timed' || step.kind === 'wait'"
                                    :model-value="step[field] ?? ''"
                                    size="small"
                                    clearable
                                    placeholder="no matter"
                                    :aria-label="`What too ${field} breaks in step ${i + 1}`"
                                    @update:model-value="(code: string | undefined) => (code ? (step[field] = code) : delete step[field])"
                                >
                                    <el-option v-for="one in breaks" :key="one.code" :value="one.code" :label="one.name" />
                                </el-select>
                            </td>
                            <td class="num">
                                <button type="button" class="link" :aria-label="`Add a step before step ${i + 1}`" @click="addStep(i)">
                                    add before
                                </button>
                                <button type="button" class="link" :aria-label="`Remove step ${i + 1}`" @click="draft.steps.splice(i, 1)">
                                    remove
                                </button>
                            </td>
                        </template>
                        <template v-else>
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
                            <td class="narrow">{{ breaks.find(({ code }) => code === step.short)?.name ?? '' }}</td>
                            <td class="narrow">{{ breaks.find(({ code }) => code === step.long)?.name ?? '' }}</td>
                        </template>
                    </tr>
                </tbody>
            </table>
            <div v-if="changing" class="change">
                <div class="row fields">
                    <FormField label="Name"><el-input v-model="draft.name" name="name" /></FormField>
                    <FormField label="Cost a test, cents"
                        ><el-input-number v-model="draft.cost_cents" :min="0" :controls="false"
                    /></FormField>
                    <FormField label="Minutes a test"
                        ><el-input-number v-model="draft.minutes" :min="0" :step="0.5" :controls="false"
                    /></FormField>
                    <FormField label="Readings asked of a portion"
                        ><el-input-number v-model="draft.readings" :min="1" :max="10"
                    /></FormField>
                    <template v-if="draft.celsius">
                        <FormField label="Coldest, °C"><el-input-number v-model="draft.celsius.lowest" :controls="false" /></FormField>
                        <FormField label="Warmest, °C"><el-input-number v-model="draft.celsius.highest" :controls="false" /></FormField>
                    </template>
                </div>
                <template v-if="draft.conditions.length">
                    <h3>Conditions</h3>
                    <div v-for="condition in draft.conditions" :key="condition.code" class="condition">
                        <strong>{{ condition.name }}</strong>
                        <label v-for="option in condition.options" :key="option.value" class="option">
                            <span>{{ option.name }}</span>
                            <el-select
                                :model-value="option.breaks ?? ''"
                                size="small"
                                clearable
                                placeholder="as asked"
                                :aria-label="`What ${condition.name}: ${option.name} breaks`"
                                @update:model-value="(code: string | undefined) => (code ? (option.breaks = code) : delete option.breaks)"
                            >
                                <el-option v-for="one in breaks" :key="one.code" :value="one.code" :label="one.name" />
                            </el-select>
                        </label>
                    </div>
                    <p class="note">
                        Where practice is divided, as on tap water, say that it breaks nothing: the run still records it, and the evidence
                        decides.
                    </p>
                </template>
                <template v-if="draft.scale.bands">
                    <h3>Bands</h3>
                    <p class="note">
                        Names and ranges make the test what it is; changed ones are another test. Colours, as L*, a* and b* of the kit’s own
                        card, may change.
                    </p>
                    <table class="plain bands">
                        <tbody>
                            <tr v-for="band in draft.scale.bands" :key="band.name">
                                <td>{{ band.name }}</td>
                                <td class="num">{{ band.lower ?? 'open' }} to {{ band.upper ?? 'open' }}</td>
                                <td><span class="tint" :style="{ background: tint(band.colour) }"></span></td>
                                <td v-for="(part, i) in ['L*', 'a*', 'b*']" :key="part">
                                    <el-input
                                        v-if="band.colour"
                                        :model-value="String(band.colour[i])"
                                        size="small"
                                        class="seconds"
                                        :aria-label="`${part} of ${band.name}`"
                                        @update:model-value="(text: string) => (band.colour![i] = bound(text) ?? 0)"
                                    />
                                </td>
                            </tr>
                        </tbody>
                    </table>
                </template>
                <FormField label="Why it changes" :wrong="wrong('why')"><el-input v-model="why" name="why" /></FormField>
                <p v-if="wrong('definition')" class="wrong" role="alert">{{ wrong('definition') }}</p>
                <div class="row">
                    <el-button type="primary" native-type="submit" :loading="saving">Set version {{ (method.version ?? 0) + 1 }}</el-button>
                    <button type="button" class="link" @click="giveUp">Leave it as it is</button>
                </div>
            </div>
        </form>
        <div class="columns two">
            <div>
                <section>
                    <h2>Take care</h2>
                    <p v-for="hazard in draft.hazards" :key="hazard">{{ hazard }}</p>
                    <SheetLinks :method="method" />
                </section>
                <section v-if="draft.reagents.length">
                    <h2>Lots</h2>
                    <LotForm :method="method" :reagents="draft.reagents.map(({ name }) => name)" />
                </section>
            </div>
            <div>
                <section v-if="method.scale?.bands">
                    <h2>Scale</h2>
                    <table class="plain">
                        <tbody>
                            <tr v-for="band in method.scale.bands" :key="band.name">
                                <td><span class="tint" :style="{ background: band.hex ?? 'transparent' }"></span></td>
                                <td>{{ band.name }}</td>
                                <td class="num">{{ band.lower ?? 'open' }} to {{ band.upper ?? 'open' }} {{ draft.unit }}</td>
                                <td class="note">{{ band.shown ? '' : 'outside of what a screen can show' }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <p v-if="draft.scale.table" class="note">
                        {{ draft.scale.table.map(({ from, to, band }) => `${from}–${to} drops: ${band}`).join('; ') }}.
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
                    <p v-if="draft.source" class="note">{{ draft.source }}</p>
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
.seconds {
    width: 76px;
}
.change {
    margin-top: 14px;
}
.fields {
    align-items: flex-start;
    gap: 16px;
}
.condition {
    display: flex;
    gap: 16px;
    align-items: center;
    margin-bottom: 6px;
    flex-wrap: wrap;
}
.option {
    display: flex;
    gap: 6px;
    align-items: center;
}
.option .el-select {
    width: 190px;
}
.bands {
    width: auto;
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
