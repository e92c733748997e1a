<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { type Schema } from '@/api/client'
import { PlanOnPaper } from '@/features/plans'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { depth, length, number, today } from '@/shared/format'
import { onSent } from '@/shared/offline/outbox'
import { database, newId } from '@/shared/offline/store'
import ConflictPanel from '../components/ConflictPanel.vue'
import CoreRow from '../components/CoreRow.vue'
import DepthDrawing from '../components/DepthDrawing.vue'
import FinishForm from '../components/FinishForm.vue'
import PhonePage from '@/shared/components/PhonePage.vue'
import MadeComposite from '../components/MadeComposite.vue'
import StepList from '../components/StepList.vue'
import WayToCore from '../components/WayToCore.vue'
import { usePosition } from '../composables/usePosition'
import { usePull } from '../composables/usePull'
import { useChoices, usePlan, useWelcome } from '@/shared/api'
import { usePullState } from '../api'
import CoreOutcome, { type Asked } from '../components/CoreOutcome.vue'

type Conflict = Schema<'PullState'>['conflicts'][number]
const route = useRoute()
const queries = useQueryClient()
const planId = Number(route.params.plan)
const { me } = useSession()
const { units, timezone } = useSite()
const { data: plan, error } = usePlan(planId)
const composite = computed(() => Number(route.query.composite) || (plan.value?.layout.composites[0]?.number ?? 1))
const planned = computed(() => plan.value?.layout.cores.filter((core) => core.composite === composite.value) ?? [])
const state = usePullState(planId, composite)
onScopeDispose(onSent(() => void queries.invalidateQueries()))
const choices = useChoices()
const welcome = useWelcome()
const user = computed(() => me.value?.email ?? '')
const { standing, conflicts, next, counts, last, note, undo, handIn, handOver, trouble, uncertain } = usePull(
    planId,
    composite,
    planned,
    state.data,
    user,
)
const walks = useLocalStorage('honest-core:simulated-position', false)
const simulated = computed({ get: () => walks.value || Boolean(me.value?.practice), set: (on) => (walks.value = on) })
const { position, trouble: noPosition } = usePosition(next, simulated)

const cores = computed(() =>
    planned.value.map((core) => ({
        sequence: core.sequence,
        outcome: standing.value.get(core.sequence)?.outcome ?? null,
    })),
)
const begun = computed(() => standing.value.size > 0)
const asking = ref<Asked | null>(null)
const showMap = ref(false)
const codes = ref<Schema<'KeptCode'>[]>([])
watch(
    composite,
    async () => {
        const kept = await database().then((db) => db.get('kept', planId))
        codes.value = kept?.codes.filter((code) => code.composite === composite.value) ?? []
    },
    { immediate: true },
)
const possible = computed(() => planned.value.length - counts.value.refused - counts.value.skipped)
const marginOf = (n: number): number | null => state.data.value?.margins.find(({ cores }) => cores === n)?.ph ?? null
const warning = computed(() => {
    const fewest = state.data.value?.fewest ?? 0
    if (possible.value === planned.value.length || possible.value >= fewest) return ''
    const now = marginOf(possible.value)
    return now === null
        ? 'Too few cores remain for a composite: move lost ones a few steps aside.'
        : `At most ${possible.value} cores can come up: the margin grows to ± ${number(now, 2)} pH, planned ± ` +
              `${number(marginOf(planned.value.length), 2)}. Move lost cores a few steps aside instead.`
})
async function mark(outcome: 'pulled' | Asked, reason: string | null): Promise<void> {
    if (next.value && (await note(next.value.sequence, outcome, reason, simulated.value ? null : position.value)))
        asking.value = null
}
/** On practice ground time is short: the cores that are left come up one after the other. */
const hurrying = ref(false)
async function pullTheRest(): Promise<void> {
    hurrying.value = true
    for (const core of planned.value)
        if (!standing.value.has(core.sequence) && !(await note(core.sequence, 'pulled', null, null))) break
    hurrying.value = false
}
const settle = ({ sequence, entries }: Conflict, chosen: Conflict['entries'][number]) =>
    note(
        sequence,
        chosen.outcome as Asked,
        chosen.reason,
        null,
        entries.map(({ uuid }) => uuid),
    )

function finish(said: {
    pulled_by: string
    note: string
    conditions: Schema<'PullConditions'>
    photos: File[]
}): Promise<void> {
    const id = newId()
    return handOver({
        submission: id,
        user: user.value,
        plan_id: planId,
        composite: composite.value,
        body: {
            composite: composite.value,
            pulled_on: today(timezone.value),
            pulled_by: said.pulled_by,
            cores: [],
            note: said.note,
            conditions: said.conditions,
            submission: id,
        },
        photos: said.photos,
        state: 'unsent',
        message: '',
        samples: [],
        at: new Date().toISOString(),
    })
}
</script>

<template>
    <PhonePage :title="plan?.area.name ?? 'Pull'" back="/pull" back-words="Back to the plans to pull">
        <template #under>
            <p v-if="plan">
                <template v-if="codes.length">{{ codes.map(({ code }) => code).join(' and ') }}, </template>
                <template v-if="plan.layout.composites.length > 1"
                    >Composite {{ composite }} of {{ plan.layout.composites.length }}, </template
                >{{ planned.length }} cores, {{ plan.spec.layers.map(depth).join(' and ') }},
                {{ length(plan.layout.composites.find((one) => one.number === composite)?.walk_m ?? 0, units) }} on foot
            </p>
        </template>
        <p v-if="error" class="wrong">{{ error.message }}</p>
        <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
        <MadeComposite v-if="handIn && handIn.state !== 'refused'" :hand-in="handIn" :codes="codes" />
        <template v-else-if="plan">
            <p v-if="state.data.value?.samples.length" class="warning">
                {{ state.data.value.samples.join(' and ') }} was made of this already{{
                    uncertain.length
                        ? `; ${uncertain.length} of this phone’s entries came after that and are on record as late`
                        : ''
                }}.
            </p>
            <ConflictPanel
                v-for="conflict in conflicts"
                :key="conflict.sequence"
                :conflict="conflict"
                :timezone="timezone"
                @settle="settle"
            />
            <div class="progress">
                <strong>{{ counts.up }} of {{ planned.length }}</strong>
                pulled
                <span v-if="counts.moved || counts.refused || counts.skipped" class="odd">
                    {{
                        [
                            counts.moved && `${counts.moved} moved`,
                            counts.refused && `${counts.refused} refused`,
                            counts.skipped && `${counts.skipped} skipped`,
                        ]
                            .filter(Boolean)
                            .join(', ')
                    }}
                </span>
            </div>
            <CoreRow :cores="cores" :next="next?.sequence ?? null" />
            <p v-if="warning" class="warning" role="status">{{ warning }}</p>
            <StepList
                v-if="!begun && choices.data.value"
                title="Before"
                :steps="choices.data.value.pulling.before"
                :keep="`${planId}-${composite}:before`"
            />
            <template v-if="next">
                <WayToCore
                    :core="next"
                    :position="position"
                    :simulated="simulated"
                    :units="units"
                    :trouble="noPosition"
                />
                <DepthDrawing :layers="plan.spec.layers" />
                <p v-if="choices.data.value" class="each">{{ choices.data.value.pulling.each.join(' · ') }}</p>
                <CoreOutcome
                    v-model:asking="asking"
                    :reasons="choices.data.value?.pulling.reasons ?? null"
                    @mark="mark"
                />
                <button v-if="me?.practice" type="button" class="link rest" :disabled="hurrying" @click="pullTheRest">
                    Practice: pull the rest where they are planned
                </button>
            </template>
            <FinishForm
                v-else-if="planned.length && !conflicts.length && !state.data.value?.samples.length"
                :by="me?.name ?? ''"
                :units="units"
                :keep="`${planId}-${composite}`"
                :planned="planned.length"
                @done="finish"
            />
            <div class="foot">
                <button v-if="last" type="button" class="link" @click="undo">Undo core {{ last.sequence }}</button>
                <button type="button" class="link" @click="showMap = !showMap">
                    {{ showMap ? 'Hide the map' : 'Map' }}
                </button>
            </div>
            <PlanOnPaper
                v-if="showMap"
                :plan="plan"
                :composite="composite"
                :units="units"
                :here="position"
                :next="next?.sequence ?? null"
            />
            <label v-if="welcome.data.value?.demo" class="simulate"
                ><input v-model="simulated" type="checkbox" /> Simulate a position that walks to the next core</label
            >
        </template>
    </PhonePage>
</template>

<style scoped>
.progress {
    margin-bottom: 6px;
}
.progress strong {
    font: 700 22px var(--serif);
    font-feature-settings: 'lnum';
}
.rest {
    display: flex;
    align-items: center;
    min-height: 44px;
}
.odd {
    float: right;
    color: var(--ink-2);
    padding-top: 6px;
}
.phone :deep(.big) {
    display: block;
    width: 100%;
    min-height: 76px;
    border: 1.5px solid var(--ink);
    border-radius: 4px;
    background: var(--sheet);
    color: var(--ink);
    font: 700 19px var(--sans);
    cursor: pointer;
    text-align: center;
}
.phone :deep(.big) {
    min-height: 84px;
    background: var(--gley);
    border-color: var(--gley-deep);
    color: var(--sheet);
    font-size: 27px;
    line-height: 84px;
    text-decoration: none;
    margin-bottom: 10px;
}
.phone :deep(.big.quiet) {
    background: var(--sheet);
    color: var(--gley);
    font-size: 19px;
}
button:disabled {
    opacity: 0.6;
}
.warning {
    margin: 10px 0 0;
}
.margin {
    display: block;
    color: var(--ink-2);
}
.foot {
    display: flex;
    justify-content: space-between;
    align-items: center;
    min-height: 52px;
    margin-top: 6px;
}
.each {
    border-top: 1px solid var(--rule);
    padding-top: 8px;
    font: 16px/1.3 var(--serif);
}
.simulate {
    display: flex;
    align-items: center;
    gap: 10px;
    min-height: 52px;
    color: var(--ink-2);
}
.simulate input {
    width: 24px;
    height: 24px;
}
.foot .link {
    min-height: 52px;
    font-weight: 600;
}
</style>
