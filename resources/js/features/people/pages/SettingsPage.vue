<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import MeasureField from '@/shared/components/MeasureField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import StoredBeside from '@/shared/components/StoredBeside.vue'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { CSV_FORMS, useCsv } from '@/shared/composables/useCsv'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useTyped } from '@/shared/composables/useTyped'
import { useSite } from '@/shared/composables/useSite'
import { useChoices } from '@/shared/api'
import { typed } from '@/shared/format'
import { unitOf } from '@/shared/measures'
import OutAndIn from '../components/OutAndIn.vue'
import PeopleTabs from '../components/PeopleTabs.vue'

/** What stands on the papers of a site, its clock and its units; and the name of the team. */
const queries = useQueryClient()
const { me } = useSession()
const { site, sites, siteId, units, choose } = useSite()
const form = reactive({
    name: '',
    letters: '',
    address: '',
    owner: '',
    phone: '',
    timezone: '',
    units: 'us' as 'us' | 'metric',
    latitude: '',
    longitude: '',
})
const saved = ref(false)
const state = ref('')
const typedHere = useTyped(
    () => site.value?.name ?? 'a site',
    () => `site-${siteId.value}`,
    { form },
)
watch(
    site,
    (of) => {
        if (!of) return
        Object.assign(form, {
            name: of.name,
            letters: of.letters,
            address: of.address,
            owner: of.owner,
            phone: of.phone,
            timezone: of.timezone,
            units: of.units,
            latitude: String(of.latitude),
            longitude: String(of.longitude),
        })
        state.value = of.state
        typedHere.begin()
    },
    { immediate: true },
)
watch(siteId, () => (saved.value = false))
const ZONES = Intl.supportedValuesOf('timeZone').map((zone) => [zone, zone] as const)
const { save, saving, refusal, wrong, clear } = useSave(
    () =>
        api.put(
            '/sites/{site}',
            {
                ...form,
                letters: form.letters.toUpperCase(),
                latitude: typed(form.latitude),
                longitude: typed(form.longitude),
                state: state.value,
            },
            { ids: { site: siteId.value ?? 0 } },
        ),
    async (now) => {
        saved.value = true
        state.value = now.state
        typedHere.settle()
        await queries.invalidateQueries()
    },
)
const stored = ref<Schema<'Site'> | null>(null)
watch(refusal, async (said) => {
    stored.value =
        said?.status === 409 ? await api.get('/sites/{site}', { ids: { site: siteId.value ?? 0 } }) : stored.value
})
const NAMES = {
    name: 'Name',
    letters: 'Letters',
    address: 'Address',
    owner: 'Whose ground it is',
    phone: 'Phone',
    timezone: 'Time zone',
    units: 'Units',
    latitude: 'Latitude',
    longitude: 'Longitude',
} as const
const beside = computed(() =>
    (Object.keys(NAMES) as (keyof typeof NAMES)[]).map((one) => ({
        what: NAMES[one],
        stored: String(stored.value?.[one] ?? ''),
        typed: form[one],
    })),
)
async function saveOver(): Promise<void> {
    state.value = stored.value?.state ?? ''
    await save()
}
async function take(): Promise<void> {
    typedHere.drop()
    clear()
    await queries.invalidateQueries()
}
const { form: csvForm, mark, csv } = useCsv()
const team = ref('')
watch(me, (one) => (team.value ||= one?.team ?? ''), { immediate: true })
const PRICES = [
    ['lab_fee', 'Lab fee a sample', null],
    ['wage_per_hour', 'Work an hour', null],
    ['lime_price_per_ton', 'Lime,', 'each_load'],
    ['loss_per_acre_and_ph', 'Yield lost for each pH short,', 'each_ground'],
] as const
const prices = reactive<Record<string, number | null>>({})
const choices = useChoices()
watch(
    () => choices.data.value?.comparison,
    (usual) => {
        for (const [key] of PRICES) prices[key] ??= usual?.[key] ?? null
    },
    { immediate: true },
)
const renaming = useSave(
    () => api.put('/team', { name: team.value, prices }),
    async (who) => {
        queries.setQueryData(['session'], who)
        await queries.invalidateQueries({ queryKey: ['choices'] })
    },
)
</script>

<template>
    <PageHead
        :over="me?.team ?? ''"
        title="Sites"
        lede="What stands on labels and papers, and in which units you work."
    >
        <PeopleTabs />
    </PageHead>
    <div v-if="site" class="columns two">
        <form novalidate @submit.prevent="((saved = false), save())">
            <h2>{{ site.name }}</h2>
            <FormField v-if="(sites.data.value?.length ?? 0) > 1" label="Which site">
                <OneOf
                    :model-value="siteId ?? ''"
                    size="default"
                    :options="(sites.data.value ?? []).map((one) => [one.id, one.name] as const)"
                    @update:model-value="(id) => choose(Number(id))"
                />
            </FormField>
            <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
            <TypedBefore :typed="typedHere" />
            <StoredBeside v-if="refusal?.status === 409 && stored" :rows="beside" @take="take" @over="saveOver" />
            <p v-if="saved" class="note" role="status">Saved.</p>
            <FormField label="Name" :wrong="wrong('name')">
                <el-input v-model="form.name" name="site-name" maxlength="80" />
            </FormField>
            <FormField
                label="Letters for sample codes"
                :wrong="wrong('letters')"
                hint="They stay once composites were pulled: codes begin with them"
            >
                <el-input v-model="form.letters" name="site-letters" maxlength="3" style="width: 90px" />
            </FormField>
            <FormField label="Whose ground it is" :wrong="wrong('owner')" hint="On labels and papers">
                <el-input v-model="form.owner" name="site-owner" maxlength="120" />
            </FormField>
            <FormField label="Address" :wrong="wrong('address')" hint="On labels and papers">
                <el-input v-model="form.address" name="site-address" maxlength="200" />
            </FormField>
            <FormField label="Phone" :wrong="wrong('phone')" hint="On labels and papers">
                <el-input v-model="form.phone" name="site-phone" maxlength="40" type="tel" />
            </FormField>
            <FormField label="Time zone" :wrong="wrong('timezone')">
                <OneOf v-model="form.timezone" size="default" :options="ZONES" />
            </FormField>
            <FormField label="Units" :wrong="wrong('units')" hint="What is stored is in metres, and stays">
                <OneOf
                    v-model="form.units"
                    size="default"
                    :options="
                        [
                            ['us', 'feet, acres, pounds'],
                            ['metric', 'metres, hectares, kilograms'],
                        ] as const
                    "
                />
            </FormField>
            <div class="row pair">
                <FormField label="Latitude" :wrong="wrong('latitude')">
                    <el-input v-model="form.latitude" name="site-latitude" inputmode="decimal" />
                </FormField>
                <FormField label="Longitude" :wrong="wrong('longitude')">
                    <el-input v-model="form.longitude" name="site-longitude" inputmode="decimal" />
                </FormField>
            </div>
            <el-button type="primary" native-type="submit" :loading="saving">Save the site</el-button>
        </form>
        <section>
            <form v-if="me?.may_administer" novalidate @submit.prevent="renaming.save()">
                <h2>The team</h2>
                <FormField label="Name of the team" :wrong="renaming.wrong('name')">
                    <el-input v-model="team" name="team-name" maxlength="80" style="max-width: 340px" />
                </FormField>
                <fieldset>
                    <legend>What it costs here, in your money: comparisons begin with it</legend>
                    <label v-for="[key, label, measure] in PRICES" :key="key" class="price">
                        <span>{{ label }} {{ measure ? unitOf(measure, units) : '' }}</span>
                        <MeasureField v-if="measure" v-model="prices[key]" :measure="measure" />
                        <el-input-number
                            v-else
                            :model-value="prices[key] ?? undefined"
                            :controls="false"
                            :min="0"
                            size="small"
                            @update:model-value="(to: number | undefined) => (prices[key] = to ?? null)"
                        />
                    </label>
                </fieldset>
                <p class="note">
                    What each test costs stands with <RouterLink to="/labs">its lab</RouterLink>. A season is a calendar
                    year.
                </p>
                <el-button native-type="submit" :loading="renaming.saving.value">Save the team</el-button>
            </form>
            <h2 class="next">Everything out</h2>
            <FormField label="CSV files of this device are parted by">
                <OneOf v-model="csvForm" size="default" style="max-width: 340px" :options="CSV_FORMS" />
            </FormField>
            <label class="mark">
                <input v-model="mark" type="checkbox" /> begin with the mark of UTF-8, by which some spreadsheets know
                it
            </label>
            <ul>
                <li><a :href="csv('/api/ledger.csv')">The season ledger, a line a portion, as CSV</a></li>
                <li>
                    <a :href="csv('/api/results.csv')">All results as CSV</a>, <a href="/api/results.json">as JSON</a>
                </li>
                <li><a href="/api/verdicts.json">The register of signed verdicts as JSON</a></li>
                <li v-if="siteId">
                    The areas of {{ site.name }} as <a :href="`/api/sites/${siteId}/areas/export/geojson`">GeoJSON</a>,
                    <a :href="`/api/sites/${siteId}/areas/export/kml`">KML</a>,
                    <a :href="`/api/sites/${siteId}/areas/export/gpx`">GPX</a>
                </li>
            </ul>
            <OutAndIn v-if="me?.may_administer" class="next" />
            <p v-else class="note">The whole team goes out, and in again, by whoever administers it.</p>
        </section>
    </div>
</template>

<style scoped>
.price {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 10px;
    max-width: 340px;
    min-height: 32px;
}
.price .el-input-number {
    width: 90px;
}
fieldset {
    border: 0;
    margin: 0 0 8px;
    padding: 0;
}
.two {
    grid-template-columns: 340px minmax(0, 1fr);
}
.pair {
    gap: 14px;
}
.pair .field {
    flex: 1;
}
.next {
    margin-top: 22px;
}
.mark {
    display: flex;
    gap: 6px;
}
@media (max-width: 900px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
