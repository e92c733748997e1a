<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Schema } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useShortcut } from '@/shared/composables/useShortcut'
import { useUnderlays } from '@/shared/composables/useUnderlays'
import { useSite } from '@/shared/composables/useSite'
import { acresAndHectares, count } from '@/shared/format'
import GroundMap from '@/shared/map/GroundMap.vue'
import type { DrawKind } from '@/shared/map/useGroundMap'
import AreaForm from '../components/AreaForm.vue'
import CutDialog from '../components/CutDialog.vue'
import ImportAreas from '../components/ImportAreas.vue'
import LandmarkForm from '../components/LandmarkForm.vue'
import NewSite from '../components/NewSite.vue'
import TogetherCheck from '../components/TogetherCheck.vue'
import UnderlayPanel from '../components/UnderlayPanel.vue'
import { useMeasure } from '../composables/useMeasure'
import { useChoices } from '@/shared/api'
import AreaList from '../components/AreaList.vue'

type Doing = 'look' | 'new' | 'landmark' | 'import' | 'site' | 'cut' | 'hole' | 'split'
const route = useRoute()
const router = useRouter()
const { site, siteId, areas, landmarks, units, refresh } = useSite()
const { underlays, pictures } = useUnderlays(siteId)
const choices = useChoices()
const chosen = computed(() => (Number(route.query.area) || null) as number | null)
const area = computed(() => areas.value.find((one) => one.id === chosen.value) ?? null)
const doing = ref<Doing>('look')
const modifying = ref(false)
const edition = ref(0)
const kind = ref<DrawKind>('LineString')
const drawn = ref<Schema<'Geometry'> | null>(null)
const spot = ref<number[] | 'asked' | null>(null)
const { extent, wrong, sketch, measure, forget } = useMeasure()

const mode = computed(() => {
    if (spot.value === 'asked') return 'Point'
    if (doing.value === 'new') return drawn.value ? 'modify' : 'Polygon'
    if (doing.value === 'cut') return drawn.value ? 'look' : 'LineString'
    if (doing.value === 'hole') return drawn.value ? 'modify' : 'Polygon'
    if (doing.value === 'landmark') return drawn.value ? 'modify' : kind.value
    return modifying.value ? 'modify' : 'look'
})
const draft = computed(() => drawn.value ?? (modifying.value ? (area.value?.boundary ?? null) : null))
const total = computed(() => areas.value.reduce((sum, one) => sum + one.area_m2, 0))
watch([chosen, kind], clear)

function clear(): void {
    drawn.value = null
    modifying.value = false
    forget()
}
function choose(id: number | null): void {
    if (doing.value !== 'new' && doing.value !== 'hole') doing.value = 'look'
    void router.replace({ query: id === null ? {} : { area: id } })
}
function start(what: Doing): void {
    clear()
    choose(null)
    doing.value = what
}
function took(geometry: Schema<'Geometry'>): void {
    if (spot.value === 'asked') {
        spot.value = geometry.coordinates as number[]
        return
    }
    drawn.value = geometry
    if (doing.value === 'new' || modifying.value) void measure(geometry)
}
async function done(id: number | null = null): Promise<void> {
    clear()
    doing.value = 'look'
    await refresh()
    choose(id)
}
/** The area was changed elsewhere than in its form, which begins anew from what is stored. */
async function renewed(id: number | null): Promise<void> {
    await done(id)
    edition.value++
}
const hole = useSave(
    () =>
        api.post(
            '/areas/{area}/hole',
            { boundary: drawn.value as Schema<'Geometry'> },
            { ids: { area: area.value?.id ?? 0 } },
        ),
    (changed) => renewed(changed.id),
)
function act(what: 'cut' | 'hole' | 'split'): void {
    clear()
    doing.value = what
}
useShortcut('n', 'Draw a new area', () => start('new'))
/** What a link or the search asks to begin with. */
watch(
    () => route.query.do,
    (what) => {
        const known = (['new', 'import', 'landmark', 'site'] as const).find((one) => one === what)
        if (known) start(known)
    },
    { immediate: true },
)
</script>

<template>
    <template v-if="site">
        <PageHead
            :over="site.address"
            :title="`Areas of ${site.name}`"
            :lede="
                areas.length
                    ? `${count(areas.length, 'sampling area')}, ${acresAndHectares(total)}. Ground with another history is sampled apart.`
                    : 'Draw the first area: ground that shares its history, soil, slope and use.'
            "
        >
            <el-button @click="start('site')">Add a site</el-button>
            <el-button @click="start('import')">Bring in a file</el-button>
            <el-button :type="doing === 'look' && !area ? 'primary' : 'default'" @click="start('new')"
                >Draw an area</el-button
            >
        </PageHead>
        <NewSite v-if="doing === 'site'" @made="done()" />
        <div v-else class="columns work">
            <section>
                <AreaList
                    :site-id="site.id"
                    :areas="areas"
                    :landmarks="landmarks"
                    :chosen="chosen"
                    :units="units"
                    @choose="choose"
                    @removed="refresh"
                />
                <button type="button" class="link" @click="start('landmark')">Add a road, wall, water or spot</button>
                <UnderlayPanel v-model:spot="spot" :site-id="siteId ?? 0" :underlays="underlays" />
            </section>
            <div class="map">
                <GroundMap
                    :label="`Map of ${site.name}`"
                    :units="units"
                    :centre="[site.longitude, site.latitude]"
                    :areas="areas"
                    :chosen="chosen"
                    :marks="landmarks"
                    :pictures="pictures"
                    :draft="draft"
                    :mode="mode"
                    @choose="choose"
                    @drawn="took"
                    @sketched="sketch"
                >
                    <span v-if="spot === 'asked'" class="hint">
                        Click the place on the map, or
                        <button type="button" class="link" @click="spot = null">go back to the picture</button>
                    </span>
                    <span v-if="doing === 'new' && !drawn" class="hint">
                        Click the corners; double-click ends. {{ extent ? acresAndHectares(extent.area_m2) : '' }}
                    </span>
                    <el-segmented
                        v-if="doing === 'landmark' && !drawn"
                        v-model="kind"
                        :options="[
                            { label: 'Line', value: 'LineString' },
                            { label: 'Spot', value: 'Point' },
                            { label: 'Ground', value: 'Polygon' },
                        ]"
                    />
                    <span v-if="doing === 'cut' && !drawn" class="hint"
                        >Click on both sides of the area; double-click ends the line.</span
                    >
                    <span v-if="doing === 'hole'" class="hint">
                        <template v-if="!drawn">Click the corners of the piece; double-click ends.</template>
                        <template v-else
                            ><button type="button" class="link" @click="hole.save()">Take this piece out</button> or
                            <button type="button" class="link" @click="done(area?.id ?? null)">
                                leave it
                            </button></template
                        >
                    </span>
                    <span v-else-if="mode === 'modify'" class="hint"
                        >Drag corners; drag an edge for a new one; Alt-click takes one out.</span
                    >
                </GroundMap>
            </div>
            <section>
                <AreaForm
                    v-if="doing === 'new' || area"
                    :key="`${area?.id ?? 'new'} ${edition}`"
                    :site-id="siteId ?? 0"
                    :area="doing === 'new' ? null : area"
                    :boundary="drawn"
                    :extent="extent"
                    :boundary-wrong="wrong"
                    :uses="choices.data.value?.uses ?? []"
                    :modifying="modifying"
                    @modify="modifying = true"
                    @split="act('split')"
                    @cut="act('cut')"
                    @hole="act('hole')"
                    @cancel="done()"
                    @saved="(saved) => done(saved.id)"
                    @taken="(id) => renewed(id)"
                />
                <TogetherCheck
                    v-if="area && doing === 'look' && !modifying"
                    :key="`together-${area.id}`"
                    :area="area"
                    :areas="areas"
                    @joined="(joined) => renewed(joined.id)"
                />
                <RefusalNote :refusal="hole.refusal.value" />
                <LandmarkForm
                    v-if="doing === 'landmark'"
                    :site-id="siteId ?? 0"
                    :geometry="drawn"
                    :units="units"
                    @saved="done()"
                    @cancel="done()"
                />
                <template v-else-if="!area && doing !== 'new'">
                    <h2>What to sample apart</h2>
                    <ul class="reasons">
                        <li>lime, fertiliser, manure or compost that the other ground did not get</li>
                        <li>another colour or texture; top, side or foot of a slope</li>
                        <li>raised beds, lawn, orchard, arable, acid-loving crops</li>
                        <li>past industry, traffic or old paint</li>
                    </ul>
                    <p class="note">Leave out what nobody will grow in. Potting mix is not soil.</p>
                </template>
            </section>
            <CutDialog
                v-if="area && (doing === 'split' || (doing === 'cut' && drawn))"
                :area="area"
                :line="drawn"
                @done="(parts) => renewed(parts[1]?.id ?? null)"
                @cancel="done(area.id)"
            />
            <ImportAreas
                v-if="doing === 'import'"
                :site-id="siteId ?? 0"
                :uses="choices.data.value?.uses ?? []"
                @saved="done()"
                @cancel="doing = 'look'"
            />
        </div>
    </template>
</template>

<style scoped>
.work {
    grid-template-columns: 250px minmax(300px, 1fr) 270px;
    gap: 20px;
}
.map {
    height: calc(100vh - 170px);
    min-height: 420px;
    position: sticky;
    top: 12px;
}
.hint {
    background: var(--sheet);
    border: 1px solid var(--line);
    padding: 5px 9px;
}
.reasons {
    padding-left: 16px;
    margin: 6px 0 12px;
}
</style>
