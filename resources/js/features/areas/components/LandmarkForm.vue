<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { reactive } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { feet, metres, type Units } from '@/shared/format'

const GRAVEL_M = 91.44
const props = defineProps<{ siteId: number; geometry: Schema<'Geometry'> | null; units: Units }>()
const emit = defineEmits<{ saved: []; cancel: [] }>()
const form = reactive({ name: '', distance: Math.round(props.units === 'us' ? feet(GRAVEL_M) : GRAVEL_M) })
const typedHere = useTyped(
    () => 'something to keep away from',
    () => `landmark-new-${props.siteId}`,
    { form },
)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/sites/{site}/landmarks',
            {
                name: form.name,
                geometry: props.geometry as Schema<'Geometry'>,
                distance_m: props.units === 'us' ? metres(form.distance) : form.distance,
            },
            { ids: { site: props.siteId } },
        ),
    () => {
        typedHere.settle()
        emit('saved')
    },
)
</script>

<template>
    <form novalidate @submit.prevent="save()">
        <TypedBefore :typed="typedHere" />
        <h2>Something to keep away from</h2>
        <p class="note">Click its points on the map; double-click ends a line.</p>
        <RefusalNote v-if="refusal && Object.keys(refusal.fields).length === 0" :refusal="refusal" />
        <FormField label="What it is" :wrong="wrong('name')">
            <el-input v-model="form.name" name="landmark-name" placeholder="Mill Lane, gravel" />
        </FormField>
        <FormField
            :label="`Keep away, ${units === 'us' ? 'feet' : 'metres'}`"
            :wrong="wrong('distance_m')"
            hint="300 ft from gravel or crushed limestone: its dust lifts pH"
        >
            <el-input-number v-model="form.distance" :min="0" :max="30000" />
        </FormField>
        <p v-if="wrong('geometry')" class="wrong" role="alert">Draw it on the map first.</p>
        <div class="row">
            <el-button type="primary" native-type="submit" :loading="saving">Keep away from it</el-button>
            <button type="button" class="link" @click="(typedHere.drop(), emit('cancel'))">Discard</button>
        </div>
    </form>
</template>
