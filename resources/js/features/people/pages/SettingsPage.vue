<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref, watch } from 'vue'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { CSV_FORMS, useCsv } from '@/shared/composables/useCsv'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { typed } from '@/shared/format'
import PeopleTabs from '../components/PeopleTabs.vue'

/** What stands on the papers of a site, its clock and its units; and the name of the team. */
const queries = useQueryClient()
const { me } = useSession()
const { site, sites, siteId, choose } = useSite()
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
    },
    { immediate: true },
)
watch(siteId, () => (saved.value = false))
const ZONES = Intl.supportedValuesOf('timeZone').map((zone) => [zone, zone] as const)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.put(
            '/sites/{site}',
            {
                ...form,
                letters: form.letters.toUpperCase(),
                latitude: typed(form.latitude),
                longitude: typed(form.longitude),
            },
            { ids: { site: siteId.value ?? 0 } },
        ),
    async () => {
        saved.value = true
        await queries.invalidateQueries()
    },
)
const { form: csvForm, mark, csv } = useCsv()
const team = ref('')
watch(me, (one) => (team.value ||= one?.team ?? ''), { immediate: true })
const renaming = useSave(
    () => api.put('/team', { name: team.value }),
    (who) => queries.setQueryData(['session'], who),
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
                <el-button native-type="submit" :loading="renaming.saving.value">Rename the team</el-button>
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
            <p class="note">
                The whole team, with its record and its files, goes out by <code>php artisan team:export</code> and in
                again by <code>team:import</code> on the machine that runs the application.
            </p>
        </section>
    </div>
</template>

<style scoped>
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
