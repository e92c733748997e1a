<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { day, extent, type Units } from '@/shared/format'
import ProgramProducts from '../components/ProgramProducts.vue'
import ProgramSteps from '../components/ProgramSteps.vue'
import RateMap from '../components/RateMap.vue'
import { useSignedProgram } from '../api'

const DAYS = [
    [30, 'a month'],
    [90, 'three months'],
    [365, 'a year'],
] as const
const route = useRoute()
const { timezone } = useSite()
const id = computed(() => Number(route.params.program))
const { data: it, error, refetch } = useSignedProgram(id)
const units = computed<Units>(() => (it.value?.body.site.units === 'metric' ? 'metric' : 'us'))
const days = ref<number | ''>(90)
const address = ref('')
const opening = useSave(
    () => api.post('/programs/{program}/shares', { days: days.value || 90 }, { ids: { program: id.value } }),
    (made) => {
        address.value = `${window.location.origin}${made.address}`
        return refetch()
    },
)
const withdrawing = useSave(
    (share: Schema<'Share'>) => api.post('/shares/{share}/withdraw', undefined, { ids: { share: share.id } }),
    () => {
        address.value = ''
        return refetch()
    },
)
const shapefile = async (): Promise<void> => {
    const { saveShapefile } = await import('../shapefile')
    if (it.value) await saveShapefile(id.value, `${it.value.body.area.name}-spread-${it.value.season}`)
}
const print = (): void => window.print()
</script>

<template>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <article v-else-if="it">
        <PageHead
            :over="`${it.body.site.name}, ${it.body.site.address}. ${extent(it.body.area.area_m2, units)}`"
            :title="`${it.body.area.name}: ${it.body.crop.name}, ${it.season}`"
            :lede="`Signed by ${it.signed_by} on ${day(it.signed_at, timezone)}. ${it.note}`"
        >
            <RouterLink :to="`/prescribe/${it.area_id}?crop=${it.crop}`">A newer one</RouterLink>
            <el-button @click="print">Print</el-button>
        </PageHead>
        <p v-if="it.followed_by" class="warning">
            A newer program follows this one:
            <RouterLink :to="`/programs/${it.followed_by}`">look at that</RouterLink> before anything is spread.
        </p>
        <p v-if="it.follows_id" class="note">
            It follows <RouterLink :to="`/programs/${it.follows_id}`">the one before</RouterLink>.
        </p>
        <div class="no-print take">
            <section>
                <h2>Spread list</h2>
                <p>
                    <a :href="`/api/programs/${it.id}/spread-list/csv`" download>CSV</a>
                    <a :href="`/api/programs/${it.id}/spread-list/geojson`" download>GeoJSON</a>
                    <a :href="`/api/programs/${it.id}/spread-list/kml`" download>KML</a>
                    <button type="button" class="link" @click="shapefile">Shapefile</button>
                    <a :href="`/api/programs/${it.id}/days.ics`" download>Days for a calendar</a>
                </p>
                <p>
                    <RouterLink to="/follow-up/spread">Note what was spread</RouterLink>
                    <RouterLink :to="`/follow-up/areas/${it.area_id}`">See what came of it</RouterLink>
                </p>
            </section>
            <section>
                <h2>For the grower</h2>
                <RefusalNote :refusal="opening.refusal.value ?? withdrawing.refusal.value" />
                <div v-if="!it.followed_by" class="row">
                    <FormField label="May be read for"><OneOf v-model="days" :options="DAYS" /></FormField>
                    <el-button type="primary" :loading="opening.saving.value" @click="opening.save()"
                        >Open an address</el-button
                    >
                </div>
                <p v-if="address" class="address" role="status">
                    Shown this once; copy it now:
                    <a :href="address" target="_blank" rel="noopener">{{ address }}</a>
                </p>
                <table v-if="it.shares.length" class="plain">
                    <tbody>
                        <tr v-for="share in it.shares" :key="share.id">
                            <td>Opened {{ day(share.opened_at, timezone) }} by {{ share.by }}</td>
                            <td>
                                {{
                                    share.withdrawn_at
                                        ? `withdrawn ${day(share.withdrawn_at, timezone)}`
                                        : `${share.open ? 'ends' : 'ended'} ${day(share.ends_at, timezone)}`
                                }}
                            </td>
                            <td>
                                <button v-if="share.open" type="button" class="link" @click="withdrawing.save(share)">
                                    Withdraw
                                </button>
                            </td>
                        </tr>
                    </tbody>
                </table>
                <p v-else class="note">
                    No address was opened yet. It needs no account, shows this area alone, and ends.
                </p>
            </section>
        </div>
        <p v-if="it.body.parts_planned > it.body.parts.length" class="warning">
            {{ it.body.parts_planned - it.body.parts.length }} of {{ it.body.parts_planned }} parts were not measured:
            nothing is said of them.
        </p>
        <RateMap v-if="it.body.parts.length > 1" :parts="it.body.parts" :units="units" />
        <template v-for="part in it.body.parts" :key="part.number">
            <h2 v-if="it.body.parts.length > 1" class="of">
                Part {{ part.number }}, {{ extent(part.area_m2, units) }}, {{ part.sample }}
            </h2>
            <ProgramSteps :part="part" :units="units" />
            <ProgramProducts :part="part" :units="units" />
        </template>
        <section class="step">
            <h2>What it rests on</h2>
            <ul>
                <li v-for="one in it.body.verdicts" :key="one.id">
                    <RouterLink :to="`/decide/verdicts/${one.id}`"
                        >{{ one.test }}, {{ one.claim }}: {{ one.verdict }}</RouterLink
                    >, policy {{ one.policy }}
                </li>
                <li v-for="one in it.body.tables" :key="one.name">
                    Table {{ one.name }}{{ one.own ? ', figures of your own' : ''
                    }}{{ one.dated ? `, ${one.dated}` : '' }}{{ one.memory ? ', written from memory' : '' }}, version
                    {{ one.hash }}
                </li>
                <li>
                    Hash of this program in the chain of the record: <code>{{ it.hash }}</code>
                </li>
            </ul>
        </section>
    </article>
</template>

<style scoped>
.take .one {
    width: 130px;
}
.take {
    display: grid;
    grid-template-columns: 1fr 1.4fr;
    gap: 28px;
    margin-bottom: 14px;
}
.take a,
.take .link {
    margin-right: 14px;
}
.row {
    display: flex;
    gap: 12px;
    align-items: flex-end;
    margin: 6px 0;
}
.row .field {
    margin: 0;
}
.address {
    background: var(--sheet);
    padding: 8px 10px;
    overflow-wrap: anywhere;
}
.of {
    margin: 10px 0 6px;
}
.step {
    border-top: 1px solid var(--ink);
    padding: 8px 0 12px;
}
code {
    overflow-wrap: anywhere;
    font-size: 12px;
}
@media (max-width: 760px) {
    .take {
        display: block;
    }
}
</style>
