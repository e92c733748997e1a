<script setup lang="ts">
import { api, type Schema } from '@/api/client'
import { count, extent as shownExtent, length, type Units } from '@/shared/format'

/** The areas of a site, what is kept away from, and both as a file. */
defineProps<{
    siteId: number
    areas: Schema<'Area'>[]
    landmarks: Schema<'Landmark'>[]
    chosen: number | null
    units: Units
}>()
const emit = defineEmits<{ choose: [id: number]; removed: [] }>()
async function removeLandmark(id: number): Promise<void> {
    await api.delete('/landmarks/{landmark}', { ids: { landmark: id } })
    emit('removed')
}
</script>

<template>
    <table class="plain">
        <thead>
            <tr>
                <th>Area</th>
                <th class="num">Extent</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="one in areas" :key="one.id" :class="{ chosen: one.id === chosen }">
                <td>
                    <button type="button" class="link name" @click="$emit('choose', one.id)">{{ one.name }}</button>
                    <span class="note">{{ one.use_name }}, {{ count(one.samples ?? 0, 'composite') }}</span>
                </td>
                <td class="num">{{ shownExtent(one.area_m2, units) }}</td>
            </tr>
        </tbody>
    </table>
    <h2>Kept away from</h2>
    <table class="plain">
        <tbody>
            <tr v-for="mark in landmarks" :key="mark.id">
                <td>{{ mark.name }}</td>
                <td class="num">{{ length(mark.distance_m, units) }}</td>
                <td class="num">
                    <button
                        type="button"
                        class="link"
                        :aria-label="`Remove ${mark.name}`"
                        @click="removeLandmark(mark.id)"
                    >
                        Remove
                    </button>
                </td>
            </tr>
        </tbody>
    </table>
    <p v-if="areas.length" class="note exports">
        Areas as a file:
        <a
            v-for="format in ['geojson', 'kml', 'gpx']"
            :key="format"
            :href="`/api/sites/${siteId}/areas/export/${format}`"
            >{{ format.toUpperCase() }}</a
        >
    </p>
</template>

<style scoped>
.name {
    text-align: left;
    display: block;
    font-weight: 600;
}
h3 {
    margin: 18px 0 4px;
}
.exports {
    margin: 8px 0;
}
.exports a {
    margin-left: 8px;
}
</style>
