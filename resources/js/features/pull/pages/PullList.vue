<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { count, day, depth, length, today } from '@/shared/format'
import { canKeep } from '@/shared/offline/install'
import LineBanner from '@/shared/components/LineBanner.vue'
import { useTakeAlong } from '../composables/useTakeAlong'
import DateField from '@/shared/components/DateField.vue'
import { usePlans } from '@/shared/api'

const router = useRouter()
const queries = useQueryClient()
const { me } = useSession()
const { site, siteId, units, timezone } = useSite()
const { data } = usePlans(siteId)
const ready = computed(() => data.value?.filter((plan) => plan.to_pull.length > 0) ?? [])
const done = computed(() => data.value?.filter((plan) => plan.to_pull.length === 0 && plan.samples.length > 0) ?? [])
const desk = ref<Schema<'PlanLine'> | null>(null)
const form = reactive({ composite: 1, pulled_on: '', pulled_by: '', cores_pulled: 0, note: '' })

function enter(plan: Schema<'PlanLine'>): void {
    desk.value = plan
    clear()
    Object.assign(form, {
        composite: plan.to_pull[0] ?? 1,
        pulled_on: today(timezone.value),
        pulled_by: me.value?.name ?? '',
        cores_pulled: plan.cores,
        note: '',
    })
}
const { save, saving, refusal, wrong, clear } = useSave(
    () => api.post('/plans/{plan}/samples', { ...form }, { ids: { plan: desk.value?.id ?? 0 } }),
    async ({ samples }) => {
        await queries.invalidateQueries()
        await router.push(samples.length > 1 ? '/send' : `/samples/${samples[0]!.id}`)
    },
)
const { save: keepDay } = useSave(
    (plan: number, on: string) => api.put('/plans/{plan}/day', { pull_on: on || null }, { ids: { plan } }),
    () => queries.invalidateQueries(),
)
const setDay = (plan: number, on: string) => keepDay(plan, on)
const { taken, taking, trouble, take } = useTakeAlong(() => me.value?.email ?? '')
</script>

<template>
    <template v-if="site && data">
        <PageHead
            :over="site.name"
            title="Pull"
            :lede="
                ready.length
                    ? `${count(ready.length, 'plan waits', 'plans wait')} to be walked.`
                    : 'Every plan has been pulled.'
            "
        />
        <LineBanner class="no-print" />
        <div v-if="ready.length" class="along no-print">
            <template v-if="canKeep">
                <el-button type="primary" :loading="taking !== null" @click="take(ready.map(({ id }) => id))"
                    >Take along to the field</el-button
                >
                <span class="note">{{
                    taking !== null
                        ? `${taking} of ${ready.length} plans are on this phone`
                        : 'Keeps plans, maps and codes on this phone, so that pulling works with no signal.'
                }}</span>
            </template>
            <span v-else class="note"
                >This address is not a secure one, so the browser keeps no pages: open it before the field and leave it
                open.</span
            >
            <span v-if="trouble" class="wrong" role="alert">{{ trouble }}</span>
        </div>
        <table v-if="ready.length" class="plain ready">
            <thead>
                <tr>
                    <th>Area</th>
                    <th>Depth</th>
                    <th class="num">Cores</th>
                    <th class="num">Walk</th>
                    <th>To be pulled on</th>
                    <th>Planned</th>
                    <th><span class="sr">What may be done</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="plan in ready" :key="plan.id">
                    <td>
                        <strong>{{ plan.area }}</strong>
                    </td>
                    <td>{{ plan.layers.map(depth).join(', ') }}</td>
                    <td class="num">{{ plan.cores }}</td>
                    <td class="num">{{ length(plan.walk_m, units) }}</td>
                    <td>
                        <DateField
                            class="when"
                            :model-value="plan.pull_on"
                            :aria-label="`Day to pull ${plan.area}`"
                            @change="(to: string) => setDay(plan.id, to)"
                        />
                        <p v-for="why in plan.too_soon" :key="why" class="warning">{{ why }}</p>
                    </td>
                    <td>
                        {{ day(plan.saved_at, timezone) }}, {{ plan.author }}
                        <span v-if="taken.has(plan.id)" class="note on">taken along</span>
                    </td>
                    <td>
                        <RouterLink
                            v-for="number in plan.to_pull.slice(0, 6)"
                            :key="number"
                            class="go"
                            :to="`/pull/${plan.id}?composite=${number}`"
                            >{{ plan.composites > 1 ? `Composite ${number}` : 'Pull core by core' }}</RouterLink
                        >
                        <RouterLink class="go" :to="`/pull/${plan.id}/labels`">Labels ahead</RouterLink>
                        <button type="button" class="link" @click="enter(plan)">Enter it at the desk</button>
                    </td>
                </tr>
            </tbody>
        </table>
        <p v-else><RouterLink to="/plans">Make the next plan</RouterLink></p>

        <form novalidate v-if="desk" class="desk" @submit.prevent="save()">
            <h2>A composite of {{ desk.area }}</h2>
            <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
            <div class="row fields">
                <FormField label="Pulled on" :wrong="wrong('pulled_on')">
                    <DateField v-model="form.pulled_on" name="pulled_on" />
                </FormField>
                <FormField label="By" :wrong="wrong('pulled_by')"
                    ><el-input v-model="form.pulled_by" name="pulled_by"
                /></FormField>
                <FormField :label="`Cores pulled, of ${desk.cores}`" :wrong="wrong('cores_pulled')">
                    <el-input-number v-model="form.cores_pulled" :min="1" name="cores_pulled" />
                </FormField>
            </div>
            <FormField label="Note" :wrong="wrong('note')"
                ><el-input v-model="form.note" name="note" maxlength="2000"
            /></FormField>
            <div class="row">
                <el-button type="primary" native-type="submit" :loading="saving">Make the composite</el-button>
                <button type="button" class="link" @click="desk = null">Discard</button>
            </div>
        </form>

        <template v-if="done.length">
            <h2 class="before">Pulled before</h2>
            <table class="plain">
                <tbody>
                    <tr v-for="plan in done" :key="plan.id">
                        <td>{{ plan.area }}</td>
                        <td>{{ plan.cores }} cores, {{ plan.pattern }}</td>
                        <td>{{ day(plan.saved_at, timezone) }}</td>
                        <td>{{ plan.samples.join(', ') }}</td>
                        <td><RouterLink :to="`/plans/${plan.area_id}?plan=${plan.id}`">See the plan</RouterLink></td>
                    </tr>
                </tbody>
            </table>
        </template>
    </template>
</template>

<style scoped>
.when {
    border: 1px solid var(--line);
    background: var(--sheet);
    height: 28px;
    font: inherit;
}
.along {
    display: flex;
    gap: 14px;
    align-items: center;
    flex-wrap: wrap;
    margin-bottom: 12px;
}
.on {
    display: block;
}
.go {
    margin-right: 16px;
    font-weight: 600;
}
.desk {
    max-width: 640px;
    border-top: 1px solid var(--rule);
    margin-top: 20px;
    padding-top: 14px;
}
.fields {
    gap: 16px;
    align-items: flex-start;
}
.before {
    margin: 24px 0 6px;
}
@media (max-width: 700px) {
    .ready thead,
    .ready td:nth-child(4) {
        display: none;
    }
    .ready tr {
        display: grid;
        grid-template-columns: auto auto 1fr;
        gap: 2px 12px;
        align-items: center;
        padding: 10px 0;
        border-bottom: 1px solid var(--rule);
    }
    .ready td {
        border: 0;
        padding: 0;
        font-size: 15px;
    }
    .ready td:first-child,
    .ready td:nth-child(6),
    .ready td:last-child {
        grid-column: 1 / -1;
    }
    .ready td:first-child {
        font-size: 18px;
    }
    .ready td.num::after {
        content: ' cores';
    }
    .when {
        height: 44px;
        font-size: 15px;
    }
    .go {
        display: block;
        min-height: 52px;
        padding: 14px 0;
        font-size: 17px;
    }
    .ready .link {
        min-height: 48px;
        font-size: 15px;
    }
}
</style>
