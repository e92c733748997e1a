<script setup lang="ts">
import { reactive, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import OneOf from '@/shared/components/OneOf.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { acresAndHectares, count } from '@/shared/format'
import FilePick from '@/shared/components/FilePick.vue'

interface Candidate {
    name: string
    use: string
    history: string
    keep_name: boolean
    boundary: Schema<'Geometry'>
    area_m2: number
}
const props = defineProps<{ siteId: number; uses: Schema<'Use'>[] }>()
const emit = defineEmits<{ saved: [count: number]; cancel: [] }>()
const text = ref('')
const found = reactive<Candidate[]>([])
const swapped = ref(false)
const passed = ref<Schema<'PassedOver'>[]>([])
const notes = ref<string[]>([])
const trouble = ref('')
const swap = ref(false)
const reading = useSave(
    () => api.post('/boundaries/read', { text: text.value, swap: swap.value, site_id: props.siteId }),
    ({ areas, looks_swapped, passed_over }) => {
        swapped.value = looks_swapped
        passed.value = passed_over
        found.splice(0, found.length, ...areas.map((area) => ({ ...area, use: area.use ?? '', keep_name: false })))
    },
)
const storing = useSave(
    () =>
        api.post(
            '/sites/{site}/areas/batch',
            {
                areas: found.map(({ name, use, history, keep_name, boundary }) => ({
                    name,
                    use,
                    history,
                    keep_name,
                    boundary,
                })),
            },
            { ids: { site: props.siteId } },
        ),
    (areas) => emit('saved', areas.length),
)
async function exchange(): Promise<void> {
    swap.value = !swap.value
    await reading.save()
}
async function pick(event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0]
    if (!file) return
    trouble.value = ''
    notes.value = []
    swap.value = false
    try {
        const { groundText } = await import('../groundFile')
        const ground = await groundText(new Uint8Array(await file.arrayBuffer()))
        notes.value = ground.notes
        text.value = ground.text
    } catch (error) {
        trouble.value = error instanceof Error ? error.message : String(error)
        return
    }
    await reading.save()
}
function another(): void {
    found.splice(0)
    passed.value = []
    notes.value = []
    text.value = ''
}
</script>

<template>
    <el-dialog :model-value="true" title="Areas from a file" width="760" @close="emit('cancel')">
        <RefusalNote :refusal="reading.refusal.value" />
        <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
        <p v-for="note in notes" :key="note" class="note">{{ note }}</p>
        <div v-if="swapped" class="warning">
            <span
                >This file seems to give latitude first: its places lie off the globe or far from the site.
                <button type="button" class="link" @click="exchange">Exchange longitude and latitude</button></span
            >
        </div>
        <template v-if="!found.length">
            <p>
                GeoJSON, KML, KMZ, a zipped Shapefile, GPX tracks round the ground, well-known text, or a CSV of
                boundary points (longitude, latitude, and area where there are several). Coordinate systems that are
                named are turned into WGS 84. The properties name, use and history are read.
            </p>
            <p>
                <FilePick
                    accept=".geojson,.json,.kml,.kmz,.zip,.gpx,.csv,.txt,.wkt,.gpkg,.shp"
                    aria-label="File of areas"
                    @change="pick"
                />
            </p>
            <label class="field">
                <span class="label">or paste it</span>
                <el-input v-model="text" type="textarea" :rows="6" name="geojson" />
            </label>
            <el-button type="primary" :loading="reading.saving.value" @click="reading.save()">Read it</el-button>
        </template>
        <template v-else>
            <RefusalNote
                v-if="storing.refusal.value && !Object.keys(storing.refusal.value.fields).length"
                :refusal="storing.refusal.value"
            />
            <p>{{ count(found.length, 'area') }} found. All of them are added, or none.</p>
            <div v-if="passed.length" class="warning">
                <ul class="passed">
                    <li v-for="one in passed" :key="one.place">Passed over: {{ one.why }}</li>
                </ul>
            </div>
            <table class="plain">
                <thead>
                    <tr>
                        <th>Name</th>
                        <th>Use</th>
                        <th class="num">Extent</th>
                        <th><span class="sr">What may be done</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(area, i) in found" :key="i">
                        <td>
                            <el-input v-model="area.name" :aria-label="`Name of area ${i + 1}`" />
                            <p v-if="storing.wrong(`areas.${i}.name`)" class="wrong" role="alert">
                                {{ storing.wrong(`areas.${i}.name`) }}
                            </p>
                            <el-checkbox
                                v-if="storing.wrong(`areas.${i}.name`)?.includes('such as')"
                                v-model="area.keep_name"
                            >
                                Keep it
                            </el-checkbox>
                        </td>
                        <td>
                            <OneOf
                                v-model="area.use"
                                :aria-label="`Use of area ${i + 1}`"
                                size="default"
                                placeholder="What grows here"
                                style="width: 190px"
                                :options="uses.map((use) => [use.code, use.name] as const)"
                            />
                            <p v-if="storing.wrong(`areas.${i}.use`)" class="wrong" role="alert">
                                {{ storing.wrong(`areas.${i}.use`) }}
                            </p>
                        </td>
                        <td class="num">{{ acresAndHectares(area.area_m2) }}</td>
                        <td><button type="button" class="link" @click="found.splice(i, 1)">Leave out</button></td>
                    </tr>
                </tbody>
            </table>
            <div class="row buttons">
                <el-button type="primary" :loading="storing.saving.value" @click="storing.save()">
                    Add {{ count(found.length, 'area') }}
                </el-button>
                <button type="button" class="link" @click="another">Another file</button>
            </div>
        </template>
    </el-dialog>
</template>

<style scoped>
.passed {
    margin: 0;
    padding-left: 16px;
}
.buttons {
    margin-top: 14px;
}
</style>
