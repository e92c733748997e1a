<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, reactive, ref, toRef } from 'vue'
import { api, type Schema } from '@/api/client'
import DateField from '@/shared/components/DateField.vue'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { day, today } from '@/shared/format'
import type { GeometryJson } from '@/shared/map/useGroundMap'

/** The strips of an area that are left untreated: what stands, and how to leave one. */
const props = defineProps<{ series: Schema<'AreaSeries'> }>()
const queries = useQueryClient()
const { site, areas, units, timezone } = useSite()
const GroundMap = defineAsyncComponent(() => import('@/shared/map/GroundMap.vue'))
const HOW: [string, string][] = [
    ['named', 'only named'],
    ['area', 'an area that is there'],
    ['drawn', 'drawn on the map'],
]
const adding = ref(false)
const boundary = ref<GeometryJson | null>(null)
const form = reactive({ how: 'named', name: '', since: '', ground: 0, note: '' })
const standing = computed(() => props.series.controls.find(({ ended_on }) => ended_on === null) ?? null)
const others = computed(() =>
    areas.value.filter(({ id }) => id !== props.series.area_id).map(({ id, name }) => [id, name] as const),
)
function begin(): void {
    adding.value = true
    form.since ||= today(timezone.value)
}
const typedHere = useTyped(
    () => 'a strip left untreated',
    () => `control-${props.series.area_id}`,
    { name: toRef(form, 'name'), note: toRef(form, 'note') },
)
const leaving = useSave(
    () =>
        api.post(
            '/areas/{area}/controls',
            {
                name: form.name,
                since: form.since,
                boundary: form.how === 'drawn' ? (boundary.value as unknown as Record<string, unknown> | null) : null,
                ground_id: form.how === 'area' ? form.ground || null : null,
                note: form.note,
            },
            { ids: { area: props.series.area_id } },
        ),
    async () => {
        adding.value = false
        Object.assign(form, { name: '', note: '' })
        typedHere.settle()
        boundary.value = null
        await queries.invalidateQueries()
    },
)
const ending = useSave(
    (control: number) => api.post('/controls/{control}/end', { on: today(timezone.value) }, { ids: { control } }),
    () => queries.invalidateQueries(),
)
/** Composites of the area, which a strip that is only named may have come from. */
const composites = computed(() => [
    ...new Set(props.series.treated.stretches.flatMap(({ points }) => points.flatMap(({ codes }) => codes))),
])
const code = ref('')
const saying = useSave(
    async (control: number) => {
        const found = await api.get('/samples', { query: { site_id: props.series.site_id, q: code.value } })
        const sample = found.rows.find((one) => one.code === code.value)
        if (!sample) throw new Error(`${code.value} is no composite of this site.`)
        return api.post('/controls/{control}/samples', { samples: [sample.id] }, { ids: { control } })
    },
    async () => {
        code.value = ''
        await queries.invalidateQueries()
    },
)
const missing = computed(() => form.how === 'drawn' && boundary.value === null)
</script>

<template>
    <section>
        <h2>Left untreated</h2>
        <p v-if="!series.controls.length">
            No strip is left untreated here. Without one, what the season or the irrigation did stands in every change.
        </p>
        <ul class="strips">
            <li v-for="one in series.controls" :key="one.id">
                <strong>{{ one.name }}</strong>, since {{ day(one.since)
                }}{{ one.ended_on ? `, ended ${day(one.ended_on)}` : ''
                }}{{ one.ground && one.ground !== one.name ? `, ${one.ground}` : '' }}.
                <template v-if="one.ended_on === null">
                    <button type="button" class="link" @click="ending.save(one.id)">End it today</button>
                    <span v-if="one.ground_id === null && composites.length" class="from">
                        <OneOf
                            v-model="code"
                            aria-label="Composite that was pulled from it"
                            none="composite pulled from it"
                            :options="composites.map((text) => [text, text] as const)"
                        />
                        <button type="button" class="link" :disabled="!code" @click="saying.save(one.id)">
                            It came from here
                        </button>
                    </span>
                </template>
            </li>
        </ul>
        <p v-for="text in [ending.message.value, saying.message.value]" :key="text ?? ''" class="wrong" role="alert">
            {{ text }}
        </p>
        <el-button v-if="!standing && !adding" size="small" @click="begin">Leave a strip untreated</el-button>
        <form v-if="adding" novalidate class="leave" @submit.prevent="leaving.save()">
            <RefusalNote
                v-if="leaving.refusal.value && !Object.keys(leaving.refusal.value.fields).length"
                :refusal="leaving.refusal.value"
            />
            <FormField label="It is"><OneOf v-model="form.how" :options="HOW" /></FormField>
            <FormField label="Name" :wrong="leaving.wrong('name')"
                ><el-input v-model="form.name" name="control-name" placeholder="last pass along the hedge"
            /></FormField>
            <FormField label="Since" :wrong="leaving.wrong('since')"
                ><DateField v-model="form.since" name="control-since"
            /></FormField>
            <FormField v-if="form.how === 'area'" label="Area" :wrong="leaving.wrong('ground_id')"
                ><OneOf v-model="form.ground" :options="others"
            /></FormField>
            <div v-if="form.how === 'drawn' && site" class="map">
                <GroundMap
                    label="Draw the strip"
                    :units="units"
                    :centre="[site.longitude, site.latitude]"
                    :areas="areas"
                    :chosen="series.area_id"
                    fit-to="chosen"
                    mode="Polygon"
                    :draft="boundary"
                    @drawn="(geometry) => (boundary = geometry)"
                />
                <p class="note">
                    Click its corners; a double click ends it. It becomes an area of its own, pulled by itself.
                </p>
                <p v-if="leaving.wrong('boundary')" class="wrong" role="alert">{{ leaving.wrong('boundary') }}</p>
            </div>
            <div class="row">
                <el-button native-type="submit" :disabled="missing" :loading="leaving.saving.value"
                    >Leave it untreated</el-button
                >
                <button type="button" class="link" @click="adding = false">Not now</button>
            </div>
        </form>
    </section>
</template>

<style scoped>
.strips {
    margin: 0 0 8px;
    padding-left: 16px;
}
.from {
    display: inline-flex;
    gap: 8px;
    align-items: center;
    margin-left: 8px;
}
.leave {
    display: grid;
    gap: 8px;
    max-width: 520px;
}
.map {
    height: 330px;
}
.map :deep(> :first-child) {
    height: 300px;
}
p:empty {
    display: none;
}
</style>
