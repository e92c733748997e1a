<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, ref, watch } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { typed } from '@/shared/format'
import FilePick from '@/shared/components/FilePick.vue'

/** Pictures of the owner's, laid under the map by two or three places known on both. */
const props = defineProps<{ siteId: number; underlays: Schema<'Underlay'>[] }>()
/** A place on the map: asked for, given, or neither. */
const spot = defineModel<number[] | 'asked' | null>('spot', { required: true })
const queries = useQueryClient()
const placing = ref<Schema<'Underlay'> | null>(null)
const known = reactive<{ x: number; y: number; longitude: string; latitude: string }[]>([])
const asking = ref(0)
watch(spot, (given) => {
    const place = known[asking.value]
    if (!Array.isArray(given) || !place) return
    place.longitude = given[0]!.toFixed(6)
    place.latitude = given[1]!.toFixed(6)
    spot.value = null
})
function ask(i: number): void {
    asking.value = i
    spot.value = 'asked'
}
const again = () => queries.invalidateQueries({ queryKey: ['underlays'] })

const adding = useSave(
    (file: File) => {
        const form = new FormData()
        form.append('picture', file)
        return api.post('/sites/{site}/underlays', form, { ids: { site: props.siteId } })
    },
    async (made) => {
        await again()
        open(made)
    },
)
const storing = useSave(
    () =>
        api.put(
            '/underlays/{underlay}',
            {
                known: known.map(({ x, y, longitude, latitude }) => ({
                    x,
                    y,
                    longitude: typed(longitude),
                    latitude: typed(latitude),
                })),
            },
            { ids: { underlay: placing.value?.id ?? 0 } },
        ),
    async () => {
        placing.value = null
        await again()
    },
)
function open(underlay: Schema<'Underlay'>): void {
    storing.clear()
    placing.value = underlay
    known.splice(
        0,
        known.length,
        ...underlay.known.map((one) => ({
            x: one.x,
            y: one.y,
            longitude: String(one.longitude),
            latitude: String(one.latitude),
        })),
    )
}
function pick(event: Event): void {
    const file = (event.target as HTMLInputElement).files?.[0]
    if (file) void adding.save(file)
}
function mark(event: MouseEvent): void {
    const image = event.currentTarget as HTMLImageElement
    const scale = (placing.value?.width ?? 1) / image.clientWidth
    if (known.length < 3)
        known.push({
            x: Math.round(event.offsetX * scale),
            y: Math.round(event.offsetY * scale),
            longitude: '',
            latitude: '',
        })
}
async function remove(id: number): Promise<void> {
    await api.delete('/underlays/{underlay}', { ids: { underlay: id } })
    await again()
}
</script>

<template>
    <section>
        <h3>Under the map</h3>
        <RefusalNote v-if="adding.refusal.value" :refusal="adding.refusal.value" />
        <p v-for="one in underlays" :key="one.id" class="one">
            {{ one.name }}
            <span class="note">{{ one.corners ? '' : 'not placed yet' }}</span>
            <button type="button" class="link" @click="open(one)">Place</button>
            <button type="button" class="link" :aria-label="`Remove ${one.name}`" @click="remove(one.id)">
                Remove
            </button>
        </p>
        <label class="note"
            >An aerial photo or a sketch, PNG or JPEG:
            <FilePick accept="image/png,image/jpeg" aria-label="Picture to lay under the map" @change="pick"
        /></label>
        <el-dialog
            v-if="placing && spot !== 'asked'"
            :model-value="true"
            title="Two or three known places"
            width="760"
            @close="placing = null"
        >
            <p>
                Click a place that you know on the picture, then show it on the map or type where it is. A gate, a
                corner of a barn, a bend of the road.
            </p>
            <RefusalNote v-if="storing.refusal.value" :refusal="storing.refusal.value" />
            <div class="picture">
                <img :src="`/api/underlays/${placing.id}/picture`" :alt="placing.name" @click="mark" />
                <i
                    v-for="(place, i) in known"
                    :key="i"
                    :style="{
                        left: `${(place.x / placing.width) * 100}%`,
                        top: `${(place.y / placing.height) * 100}%`,
                    }"
                    >{{ i + 1 }}</i
                >
            </div>
            <div v-for="(place, i) in known" :key="`p${i}`" class="row">
                <strong>{{ i + 1 }}</strong>
                <el-input
                    v-model="place.longitude"
                    size="small"
                    placeholder="longitude"
                    :aria-label="`Longitude of place ${i + 1}`"
                />
                <el-input
                    v-model="place.latitude"
                    size="small"
                    placeholder="latitude"
                    :aria-label="`Latitude of place ${i + 1}`"
                />
                <button type="button" class="link" @click="ask(i)">Show it on the map</button>
                <button type="button" class="link" @click="known.splice(i, 1)">Leave it out</button>
            </div>
            <div class="row buttons">
                <el-button
                    type="primary"
                    :disabled="known.length < 2"
                    :loading="storing.saving.value"
                    @click="storing.save()"
                    >Lay it under the map</el-button
                >
                <button type="button" class="link" @click="placing = null">Later</button>
            </div>
        </el-dialog>
    </section>
</template>

<style scoped>
h3 {
    margin: 18px 0 4px;
}
.one {
    display: flex;
    gap: 8px;
    flex-wrap: wrap;
}
.picture {
    position: relative;
    display: inline-block;
    max-width: 100%;
}
.picture img {
    max-width: 100%;
    max-height: 46vh;
    cursor: crosshair;
    border: 1px solid var(--ink);
}
.picture i {
    position: absolute;
    transform: translate(-50%, -50%);
    width: 20px;
    height: 20px;
    border-radius: 50%;
    background: var(--gley);
    color: var(--sheet);
    font: 600 11px/20px var(--sans);
    text-align: center;
    pointer-events: none;
}
.row {
    margin-top: 6px;
    flex-wrap: nowrap;
}
.row .el-input {
    width: 140px;
}
.buttons {
    margin-top: 12px;
}
input[type='file'] {
    display: block;
    max-width: 100%;
}
</style>
