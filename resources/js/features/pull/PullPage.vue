<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { bearing, count, depth, length, today } from '@/shared/format'
import CompassNeedle from './CompassNeedle.vue'
import CoreRow from './CoreRow.vue'
import { usePull } from './usePull'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const planId = Number(route.params.plan)
const { me } = useSession()
const { units, timezone } = useSite()
const { data: plan, error } = useQuery({ queryKey: ['plan', planId], queryFn: () => api.get('/plans/{plan}', { ids: { plan: planId } }) })
const composite = computed(() => Number(route.query.composite) || (plan.value?.layout.composites[0]?.number ?? 1))
const planned = computed(() => plan.value?.layout.cores.filter((core) => core.composite === composite.value) ?? [])
const { kept, next, counts, outcomeOf, mark, undo, forget, last } = usePull(planId, composite, planned)
const cores = computed(() => planned.value.map((core) => ({ sequence: core.sequence, outcome: outcomeOf(core.sequence) })))
const asking = ref(false)
const by = reactive({ name: '' })
const pulledBy = computed({ get: () => by.name || (me.value?.name ?? ''), set: (name: string) => (by.name = name) })
const made = ref<Schema<'Sample'>[]>([])

const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/plans/{plan}/samples',
            {
                composite: composite.value,
                pulled_on: today(timezone.value),
                pulled_by: pulledBy.value,
                cores: kept.value.cores,
                note: kept.value.note,
                submission: kept.value.submission,
            },
            { ids: { plan: planId } },
        ),
    async ({ samples }) => {
        made.value = samples
        forget()
        await queries.invalidateQueries()
    },
)
function refuse(reason: string): void {
    mark('refused', reason)
    asking.value = false
}
</script>

<template>
    <div class="phone">
        <header>
            <button type="button" class="back" aria-label="Back to the plans to pull" @click="router.push('/pull')">‹</button>
            <div>
                <h1>{{ plan?.area.name ?? 'Pull' }}</h1>
                <p v-if="plan">
                    <template v-if="plan.layout.composites.length > 1"
                        >Composite {{ composite }} of {{ plan.layout.composites.length }}, </template
                    >{{ planned.length }} cores, {{ plan.spec.layers.map(depth).join(' and ') }},
                    {{ length(plan.layout.composites.find((one) => one.number === composite)?.walk_m ?? 0, units) }} on foot
                </p>
            </div>
            <svg class="wave" viewBox="0 0 390 14" preserveAspectRatio="none" aria-hidden="true">
                <path d="M0 0H390V6C340 14 300 2 240 7S140 13 90 6 30 9 0 5Z" fill="#2B2119" />
            </svg>
        </header>
        <main id="main">
            <p v-if="error" class="wrong">{{ error.message }}</p>
            <template v-if="made.length">
                <section v-for="sample in made" :key="sample.id">
                    <h2>Composite {{ sample.code }}</h2>
                    <p class="say">
                        {{ depth(sample.depth) }}, {{ count(sample.cores_pulled, 'core') }} of {{ sample.cores_planned }}. Mix in the
                        bucket, then bag both portions and label them at once.
                    </p>
                    <ul class="codes">
                        <li v-for="portion in sample.portions" :key="portion.id">
                            <strong>{{ portion.code }}</strong> {{ portion.kind }} portion
                        </li>
                    </ul>
                    <RouterLink class="big" :to="`/samples/${sample.id}/labels`">Print the labels</RouterLink>
                </section>
                <RouterLink class="big quiet" to="/pull">Next plan</RouterLink>
            </template>
            <template v-else-if="plan">
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
                <template v-if="next">
                    <section class="way" aria-live="polite">
                        <CompassNeedle :degrees="next.bearing_deg" />
                        <div>
                            <h2>Core {{ next.sequence }}</h2>
                            <template v-if="next.leg_m !== null">
                                <p class="far">{{ length(next.leg_m, units) }}</p>
                                <p>{{ next.bearing_deg === null ? '' : bearing(next.bearing_deg) }}, from core {{ next.sequence - 1 }}</p>
                            </template>
                            <p v-else>The walk starts here: see the plan map.</p>
                            <p class="at">{{ next.latitude.toFixed(5) }}, {{ next.longitude.toFixed(5) }}</p>
                        </div>
                    </section>
                    <p class="how">
                        Brush off litter and thatch. Push to full depth, an even slice each time; stones and roots out; into the plastic
                        bucket.
                    </p>
                    <div v-if="asking" class="why" role="group" aria-label="Why was it refused?">
                        <button
                            v-for="reason in ['stone', 'too wet', 'root', 'buried line marked']"
                            :key="reason"
                            type="button"
                            @click="refuse(reason)"
                        >
                            {{ reason }}
                        </button>
                        <button type="button" class="link" @click="asking = false">Not refused</button>
                    </div>
                    <template v-else>
                        <button type="button" class="big" @click="mark('pulled')">Pulled</button>
                        <div class="three">
                            <button type="button" @click="mark('moved')">Moved</button>
                            <button type="button" @click="asking = true">Refused</button>
                            <button type="button" @click="mark('skipped')">Skipped</button>
                        </div>
                    </template>
                </template>
                <form novalidate v-else class="finish" @submit.prevent="save()">
                    <h2>All {{ planned.length }} cores are done</h2>
                    <RefusalNote :refusal="refusal" />
                    <label>
                        Pulled by
                        <input v-model="pulledBy" name="pulled-by" />
                    </label>
                    <p v-if="wrong('pulled_by')" class="wrong">{{ wrong('pulled_by') }}</p>
                    <label>
                        Note
                        <input v-model="kept.note" name="note" maxlength="2000" />
                    </label>
                    <button type="submit" class="big" :disabled="saving">Make the composite</button>
                </form>
                <div class="foot">
                    <button v-if="last" type="button" class="link" @click="undo">Undo core {{ last.sequence }}</button>
                    <span class="kept">Kept on this phone</span>
                </div>
            </template>
        </main>
    </div>
</template>

<style scoped>
.phone {
    max-width: 480px;
    margin: auto;
    min-height: 100vh;
    font-size: 16px;
}
header {
    background: #2b2119;
    color: var(--paper);
    padding: 22px 16px 16px;
    display: flex;
    gap: 8px;
    align-items: center;
    position: relative;
}
header h1 {
    font-size: 27px;
}
header p {
    margin: 2px 0 0;
}
.wave {
    position: absolute;
    left: 0;
    bottom: -13px;
    width: 100%;
    height: 14px;
}
.back {
    width: 44px;
    height: 52px;
    border: 0;
    background: none;
    color: inherit;
    font-size: 40px;
    line-height: 1;
    cursor: pointer;
}
.back:focus-visible {
    outline-color: var(--paper);
}
main {
    padding: 24px 16px 16px;
}
.progress {
    margin-bottom: 6px;
}
.progress strong {
    font: 700 22px var(--serif);
    font-feature-settings: 'lnum';
}
.odd {
    float: right;
    color: var(--ink-2);
    padding-top: 6px;
}
.way {
    display: flex;
    gap: 20px;
    align-items: center;
    margin: 18px 0 12px;
}
.way h2 {
    font-size: 27px;
}
.way p {
    margin: 0;
    color: var(--ink-2);
}
.way .far {
    font: 700 50px/1.05 var(--sans);
    color: var(--ink);
    white-space: nowrap;
}
.how {
    border-top: 1px solid var(--rule);
    padding-top: 10px;
    font: 16px/1.3 var(--serif);
}
.big,
.three button,
.why button:not(.link) {
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
.big {
    min-height: 84px;
    background: var(--gley);
    border-color: var(--gley-deep);
    color: var(--sheet);
    font-size: 27px;
    line-height: 84px;
    text-decoration: none;
    margin-bottom: 10px;
}
.big.quiet {
    background: var(--sheet);
    color: var(--gley);
    font-size: 19px;
}
.three {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 10px;
}
.why {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
}
.foot {
    display: flex;
    justify-content: space-between;
    align-items: center;
    min-height: 52px;
    margin-top: 6px;
}
.foot .link {
    min-height: 52px;
    font-weight: 600;
}
.kept {
    color: var(--ink-2);
    margin-left: auto;
}
.finish label {
    display: block;
    font-weight: 600;
    margin: 14px 0;
}
.finish input {
    display: block;
    width: 100%;
    min-height: 52px;
    font-size: 17px;
    padding: 0 10px;
    border: 1px solid var(--line);
    background: var(--sheet);
}
.finish h2,
main > h2 {
    font-size: 24px;
    margin-top: 18px;
}
.say {
    font: 17px/1.3 var(--serif);
}
.codes {
    list-style: none;
    padding: 0;
    font-size: 18px;
}
</style>
