<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Refused, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite, useSiteOf } from '@/shared/composables/useSite'
import { day, extent, today } from '@/shared/format'
import CausesForm from '../components/CausesForm.vue'
import ChoicesForm from '../components/ChoicesForm.vue'
import OverrideForm from '../components/OverrideForm.vue'
import ProgramProducts from '../components/ProgramProducts.vue'
import ProgramSteps from '../components/ProgramSteps.vue'
import RateMap from '../components/RateMap.vue'
import { useCrops, useProgram, usePrograms, useShelf, useSignedPrograms, useTriedProgram } from '../api'

const STATES: Record<string, string> = { signed: 'signed', drafted: 'drafted', none: 'not drafted' }
const SCHOOLS: Record<string, string> = { build: 'build up and maintain', sufficiency: 'sufficiency' }
const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { me } = useSession()
const { site, siteId, units, timezone } = useSite()
const lines = usePrograms(siteId)
const areaId = computed(() => Number(route.params.area) || (lines.data.value?.[0]?.area_id ?? null))
const crop = computed(() => (typeof route.query.crop === 'string' ? route.query.crop : undefined))
const kept = useProgram(areaId, crop)
useSiteOf(
    () => (route.params.area ? kept.data.value?.site_id : undefined),
    () => void router.push('/prescribe'),
)
const crops = useCrops()
const shelf = useShelf()
const signed = useSignedPrograms(areaId)

const choices = ref<Schema<'ProgramChoices'> | null>(null)
const number = ref(0)
/** What is on the page begins anew with what was kept, for another area or crop, or after it was kept. */
watch(
    () => kept.data.value,
    (to) => (choices.value = to ? toPlain(to.choices) : null),
    { immediate: true },
)
function toPlain<T>(value: T): T {
    return JSON.parse(JSON.stringify(value)) as T
}
const asked = refDebounced(choices, 200)
const changed = computed(
    () =>
        choices.value !== null &&
        kept.data.value !== undefined &&
        JSON.stringify(choices.value) !== JSON.stringify(kept.data.value.choices),
)
const tried = useTriedProgram(areaId, () => (changed.value ? asked.value : null))
const it = computed(() => (changed.value ? (tried.data.value ?? kept.data.value) : kept.data.value))
const part = computed(() => it.value?.parts.find((one) => one.number === number.value) ?? it.value?.parts[0])
watch(areaId, () => (number.value = 0))

const reason = ref('')
const draft = useSave(
    () =>
        api.put(
            '/areas/{area}/program',
            {
                choices: choices.value as Schema<'ProgramChoices'>,
                version: kept.data.value?.version ?? 0,
                reason: reason.value,
            },
            { ids: { area: areaId.value ?? 0 } },
        ),
    async () => {
        reason.value = ''
        typedHere.settle()
        await Promise.all([kept.refetch(), lines.refetch()])
    },
)
const password = ref('')
const note = ref('')
const typedHere = useTyped(
    () => `the program of ${it.value?.area ?? 'an area'}`,
    () => (kept.data.value ? `program-${areaId.value}-${kept.data.value.choices.crop}` : ''),
    { choices, reason, note },
)
watch(
    () => kept.data.value,
    () => typedHere.begin(),
    { flush: 'post' },
)
const signing = useSave(
    () =>
        api.post(
            '/areas/{area}/program/sign',
            {
                choices: it.value?.choices as Schema<'ProgramChoices'>,
                hash: it.value?.hash ?? '',
                follows_id: it.value?.follows_id ?? null,
                note: note.value,
                password: password.value,
            },
            { ids: { area: areaId.value ?? 0 } },
        ),
    async (made) => {
        typedHere.settle()
        await queries.invalidateQueries({ queryKey: ['programs'] })
        await router.push(`/programs/${made.id}`)
    },
)
const answering = useSave(
    (question: string, answer: string) =>
        api.post(
            '/areas/{area}/ph-answers',
            { question, answer, note: '', crop: it.value?.choices.crop ?? null },
            { ids: { area: areaId.value ?? 0 } },
        ),
    () => queries.invalidateQueries({ queryKey: ['program'] }),
)
const settling = useSave(
    () =>
        api.put(
            '/sites/{site}/program-schools',
            {
                nutrient_school: choices.value?.nutrient_school ?? 'build',
                lime_school: choices.value?.lime_school ?? '',
            },
            { ids: { site: siteId.value ?? 0 } },
        ),
    () => queries.invalidateQueries(),
)
/** Are the schools on the page other than those that programs of this site begin with? */
const otherSchools = computed(
    () =>
        choices.value !== null &&
        site.value !== null &&
        (choices.value.nutrient_school !== site.value.nutrient_school ||
            choices.value.lime_school !== site.value.lime_school),
)
const overriding = ref<Schema<'ProgramLine'> | null>(null)
function setOverride(pounds: number | null, why: string): void {
    const line = overriding.value
    if (!choices.value || !line || !part.value) return
    const at = part.value.number
    const others = choices.value.overrides.filter((one) => one.part !== at || one.key !== line.key)
    choices.value = {
        ...choices.value,
        overrides:
            pounds === null ? others : [...others, { part: at, key: line.key, lb_per_acre: pounds, reason: why }],
    }
    overriding.value = null
}
function setMix(rows: { product: string; lb_per_acre: number }[] | null): void {
    if (!choices.value || !part.value) return
    const at = part.value.number
    choices.value = {
        ...choices.value,
        mix: [
            ...choices.value.mix.filter((one) => one.part !== at),
            ...(rows ?? []).map((row) => ({ part: at, ...row })),
        ],
    }
}
const chooseCrop = (code: string): Promise<unknown> => router.replace({ query: { crop: code } })
const standing = computed(() => signed.data.value?.filter((one) => one.followed_by === null) ?? [])
const memory = computed(() => it.value?.tables.filter((one) => one.memory).length ?? 0)
const ownTables = computed(() => it.value?.tables.filter((one) => one.own) ?? [])
const refusal = computed<Refused | null>(
    () => draft.refusal.value ?? signing.refusal.value ?? answering.refusal.value ?? settling.refusal.value ?? null,
)
const print = (): void => window.print()
</script>

<template>
    <p v-if="lines.data.value?.length === 0" class="lede">
        <RouterLink to="/areas">Draw the first area</RouterLink>, and pull a composite from it.
    </p>
    <div v-else class="columns frame">
        <nav class="no-print areas" aria-label="Areas">
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
                            <RouterLink :to="`/prescribe/${line.area_id}`">{{ line.area }}</RouterLink>
                            <span class="note block"
                                >{{ STATES[line.state]
                                }}{{ line.state === 'signed' && line.season ? ` for ${line.season}` : '' }}.
                                {{ line.in_short }}</span
                            >
                        </td>
                    </tr>
                </tbody>
            </table>
            <p class="links">
                <RouterLink to="/shopping">Shopping list</RouterLink>
                <RouterLink to="/shelf">The shelf</RouterLink>
                <RouterLink to="/tables">Tables</RouterLink>
                <RouterLink to="/reckoner">Reckoner</RouterLink>
            </p>
        </nav>
        <article v-if="it && part && choices && areaId">
            <PageHead
                :over="`${it.site.name}, ${it.site.address}. ${extent(it.area.area_m2, units)} of ${it.area.use}`"
                :title="`${it.area.name}: ${it.crop.name}, ${it.season}`"
                :lede="it.in_short"
            >
                <RouterLink :to="`/prescribe/${areaId}/crops`">Three crops side by side</RouterLink>
                <RouterLink :to="`/prescribe/${areaId}/lime`">Lime by the schools</RouterLink>
                <el-button @click="print">Print</el-button>
            </PageHead>
            <p v-if="standing.length" class="note">
                Signed:
                <template v-for="(one, i) in standing" :key="one.id"
                    >{{ i ? ', ' : ''
                    }}<RouterLink :to="`/programs/${one.id}`"
                        >{{ one.crop }} {{ one.season }}, {{ day(one.signed_at, timezone) }} by
                        {{ one.signed_by }}</RouterLink
                    ></template
                >.
                {{
                    it.follows_id === null
                        ? ''
                        : it.follows_same
                          ? 'Nothing has moved since.'
                          : 'This one is other than what was signed.'
                }}
            </p>
            <ChoicesForm
                v-model="choices"
                :crops="crops.data.value ?? []"
                :yield-unit="it.crop.yield_unit"
                :units="units"
                @crop="chooseCrop"
            />
            <p v-if="otherSchools" class="note no-print">
                Programs of {{ site?.name }} begin with other schools.
                <button type="button" class="link" @click="settling.save()">Begin with these from now on</button>
            </p>
            <TypedBefore :typed="typedHere" />
            <RefusalNote :refusal="refusal" />
            <p v-if="tried.error.value" class="wrong" role="alert">{{ tried.error.value.message }}</p>
            <p v-if="it.crop.why" class="note">{{ it.crop.why }}</p>
            <nav v-if="it.parts.length > 1" class="parts no-print" aria-label="Parts">
                <button
                    v-for="one in it.parts"
                    :key="one.number"
                    type="button"
                    class="link"
                    :aria-current="one.number === part.number ? 'true' : undefined"
                    @click="number = one.number"
                >
                    Part {{ one.number }}<span class="note block">{{ one.in_short }}</span>
                </button>
            </nav>
            <p v-if="it.parts_planned > it.parts.length" class="warning">
                {{ it.parts_planned - it.parts.length }} of {{ it.parts_planned }} parts were not measured: nothing is
                said of them.
            </p>
            <RateMap v-if="it.parts.length > 1" :parts="it.parts" :units="units" />
            <h2 v-if="it.parts.length > 1" class="of">
                Part {{ part.number }}, {{ extent(part.area_m2, units) }}, {{ part.sample }}
            </h2>
            <CausesForm
                v-if="part.too_high"
                :causes="part.causes"
                :saving="answering.saving.value"
                @answer="answering.save"
            />
            <ProgramSteps :part="part" :units="units" editable @override="overriding = $event" />
            <ProgramProducts
                :key="`${areaId} ${it.choices.crop} ${part.number}`"
                :part="part"
                :units="units"
                :shelf="shelf.data.value?.products ?? []"
                editable
                @mix="setMix"
            />
            <OverrideForm
                v-if="overriding"
                :line="overriding"
                :part="part.label"
                @set="setOverride"
                @back="setOverride(null, '')"
                @close="overriding = null"
            />
            <section v-if="it.unwanted.length" class="step no-print">
                <FormField label="Why these products may bring what should not be brought">
                    <el-input v-model="choices.mix_reason" maxlength="500" />
                </FormField>
            </section>
            <section class="step no-print keep">
                <h2>{{ changed ? 'Keep what you changed' : 'Sign' }}</h2>
                <template v-if="changed">
                    <p class="note">Not kept yet. The reason stays with the program.</p>
                    <div class="row">
                        <FormField label="Why" :wrong="draft.wrong('reason')">
                            <el-input v-model="reason" maxlength="500" />
                        </FormField>
                        <el-button type="primary" :loading="draft.saving.value" @click="draft.save()"
                            >Keep as draft</el-button
                        >
                        <el-button @click="choices = toPlain(kept.data.value!.choices)">Take it back</el-button>
                    </div>
                </template>
                <template v-else-if="me?.role === 'reviewer'">
                    <p class="note">
                        Once signed it is not edited: a newer one follows it. It keeps its results, verdicts and tables.
                    </p>
                    <form class="row" @submit.prevent="signing.save()">
                        <FormField label="A word to the grower">
                            <el-input v-model="note" maxlength="2000" />
                        </FormField>
                        <FormField label="Your password" :wrong="signing.wrong('password')">
                            <el-input v-model="password" type="password" autocomplete="current-password" />
                        </FormField>
                        <el-button type="primary" native-type="submit" :loading="signing.saving.value"
                            >Sign this program</el-button
                        >
                    </form>
                </template>
                <p v-else class="note">A reviewer signs it.</p>
            </section>
            <section v-if="it.changes.length" class="step">
                <h2>What was changed, and why</h2>
                <table class="plain">
                    <tbody>
                        <tr v-for="(one, i) in [...it.changes].reverse()" :key="i">
                            <td class="when">{{ day(one.at, timezone) }}</td>
                            <td>{{ one.by }}</td>
                            <td>{{ one.what }}</td>
                            <td>{{ one.reason }}</td>
                        </tr>
                    </tbody>
                </table>
            </section>
            <p class="note">
                By {{ it.tables.length }} tables, {{ memory }} of them written from memory{{
                    ownTables.length ? `, ${ownTables.length} with figures of your own` : ''
                }}; phosphate and potash by {{ SCHOOLS[it.nutrient_school] }}. Made {{ day(today(timezone)) }} with
                Honest Core for {{ site?.name }}. Local rules, the product label and licensed advice go before it.
            </p>
        </article>
        <p v-else-if="kept.error.value" class="wrong" role="alert">{{ kept.error.value.message }}</p>
    </div>
</template>

<style scoped>
.frame {
    grid-template-columns: 210px minmax(0, 1fr);
}
.block {
    display: block;
}
.links a {
    display: block;
    padding: 3px 0;
}
.links {
    margin-top: 14px;
}
.step {
    border-top: 1px solid var(--ink);
    padding: 8px 0 12px;
}
.of {
    margin: 6px 0 10px;
}
.parts {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
    align-items: start;
    gap: 6px 16px;
    margin: 6px 0 12px;
}
.parts .link {
    text-align: left;
    padding: 2px 0 2px 8px;
    border-left: 3px solid transparent;
    text-decoration: none;
}
.parts .link[aria-current] {
    border-left-color: var(--gley);
    background: var(--sheet);
    color: var(--ink);
}
.keep .row {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: flex-end;
}
.keep .field {
    margin: 0;
    min-width: 240px;
}
.when {
    white-space: nowrap;
}
@media (max-width: 760px) {
    .frame {
        display: block;
    }
}
@media print {
    .frame {
        display: block;
    }
}
</style>
