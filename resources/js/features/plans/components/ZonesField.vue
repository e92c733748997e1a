<script setup lang="ts">
import { computed } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { count } from '@/shared/format'
import FilePick from '@/shared/components/FilePick.vue'

/** The zones of a plan: drawn one by one, or read from a file of areas. */
defineProps<{ placing: boolean }>()
defineEmits<{ place: [] }>()
const zones = defineModel<Schema<'Geometry'> | null>({ required: true })
const { siteId } = useSite()
const number = computed(() => (zones.value?.coordinates as unknown[] | undefined)?.length ?? 0)
const { save, refusal } = useSave(
    async (file: File) =>
        api.post('/boundaries/read', { text: await file.text(), swap: false, site_id: siteId.value ?? 0 }),
    ({ areas }) => {
        zones.value = {
            type: 'MultiPolygon',
            coordinates: areas.flatMap(({ boundary: { type, coordinates } }) =>
                type === 'MultiPolygon' ? (coordinates as unknown[]) : [coordinates],
            ),
        }
    },
)
function pick(event: Event): void {
    const file = (event.target as HTMLInputElement).files?.[0]
    if (file) void save(file)
}
</script>

<template>
    <p class="note">
        {{ number ? count(number, 'zone') : 'No zone yet' }}.
        <button type="button" class="link" @click="$emit('place')">
            {{ placing ? 'Click its corners on the map' : 'Draw a zone' }}
        </button>
        <button v-if="number" type="button" class="link" @click="zones = null">None</button>
    </p>
    <label class="note">
        Or from a file, GeoJSON, KML, GPX or CSV:
        <FilePick accept=".geojson,.json,.kml,.gpx,.csv" @change="pick" />
    </label>
    <RefusalNote :refusal="refusal" />
</template>

<style scoped>
.link {
    margin-left: 6px;
}
input {
    display: block;
    max-width: 100%;
    margin-top: 4px;
}
</style>
