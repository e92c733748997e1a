<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive } from 'vue'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { useSite } from '@/shared/composables/useSite'
import { typed } from '@/shared/format'

const emit = defineEmits<{ made: [] }>()
const { choose } = useSite()
const queries = useQueryClient()
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const form = reactive({
    name: '',
    letters: '',
    address: '',
    timezone: zone || 'UTC',
    units: 'us' as const,
    latitude: '',
    longitude: '',
})
const typedHere = useTyped(
    () => 'a new site',
    () => 'site-new',
    { form },
)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post('/sites', {
            ...form,
            letters: form.letters.toUpperCase(),
            latitude: typed(form.latitude),
            longitude: typed(form.longitude),
        }),
    async (site) => {
        typedHere.settle()
        choose(site.id)
        await queries.invalidateQueries()
        emit('made')
    },
)
function here(): void {
    navigator.geolocation?.getCurrentPosition(({ coords }) => {
        form.latitude = coords.latitude.toFixed(5)
        form.longitude = coords.longitude.toFixed(5)
    })
}
</script>

<template>
    <PageHead
        title="A site to work on"
        lede="Name the property. Its letters start every sample code; its position is where the map opens."
    />
    <form novalidate class="form" @submit.prevent="save()">
        <TypedBefore :typed="typedHere" />
        <RefusalNote v-if="refusal && refusal.status !== 422" :refusal="refusal" />
        <FormField label="Name" :wrong="wrong('name')"
            ><el-input v-model="form.name" name="site-name" maxlength="80"
        /></FormField>
        <FormField label="Letters for sample codes" :wrong="wrong('letters')" hint="2 or 3 capitals">
            <el-input v-model="form.letters" name="letters" maxlength="3" style="width: 90px" />
        </FormField>
        <FormField label="Address" :wrong="wrong('address')" hint="It stands on every label">
            <el-input v-model="form.address" name="address" maxlength="200" />
        </FormField>
        <FormField label="Time zone" :wrong="wrong('timezone')"
            ><el-input v-model="form.timezone" name="timezone"
        /></FormField>
        <FormField label="Units" :wrong="wrong('units')">
            <el-segmented
                v-model="form.units"
                :options="[
                    { label: 'Feet and acres', value: 'us' },
                    { label: 'Metres and hectares', value: 'metric' },
                ]"
            />
        </FormField>
        <div class="row pair">
            <FormField label="Latitude" :wrong="wrong('latitude')">
                <el-input v-model="form.latitude" name="latitude" placeholder="42.915" />
            </FormField>
            <FormField label="Longitude" :wrong="wrong('longitude')">
                <el-input v-model="form.longitude" name="longitude" placeholder="-76.281" />
            </FormField>
            <button type="button" class="link" @click="here">Where I am</button>
        </div>
        <el-button type="primary" native-type="submit" :loading="saving">Add the site</el-button>
    </form>
</template>

<style scoped>
.form {
    max-width: 420px;
}
.pair .field {
    width: 130px;
}
</style>
