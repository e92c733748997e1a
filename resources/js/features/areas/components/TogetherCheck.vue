<script setup lang="ts">
import { ref } from 'vue'
import { useSave } from '@/shared/composables/useSave'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { api, type Schema } from '@/api/client'
import { useTogether } from '../api'
import OneOf from '@/shared/components/OneOf.vue'

/** Could two areas share a composite? */
const props = defineProps<{ area: Schema<'Area'>; areas: Schema<'Area'>[] }>()
const other = ref<number | ''>('')
const { data } = useTogether(
    () => props.area.id,
    () => other.value || null,
)
const emit = defineEmits<{ joined: [area: Schema<'Area'>] }>()
const { save, saving, refusal } = useSave(
    () => api.post('/areas/{area}/join/{other}', undefined, { ids: { area: props.area.id, other: other.value || 0 } }),
    (area) => emit('joined', area),
)
</script>

<template>
    <div class="together">
        <label>
            <span class="label">Could it share a composite with</span>
            <OneOf
                v-model="other"
                none="choose an area"
                :options="areas.filter(({ id }) => id !== area.id).map(({ id, name }) => [id, name] as const)"
            />
        </label>
        <template v-if="data">
            <p v-if="!data.reasons.length">Nothing known speaks against it.</p>
            <ul v-if="data.reasons.length">
                <li v-for="reason in data.reasons" :key="reason">{{ reason }}</li>
            </ul>
            <RefusalNote :refusal="refusal" />
            <el-button size="small" :loading="saving" @click="save()">{{
                data.reasons.length ? 'Join them all the same' : 'Join them'
            }}</el-button>
            <p class="note">
                Joined ground keeps these reasons: a plan of it asks why it stays one composite, and one click parts it
                again.
            </p>
        </template>
    </div>
</template>

<style scoped>
.together {
    border-top: 1px solid var(--rule);
    margin-top: 14px;
    padding-top: 10px;
}
.label {
    display: block;
    font-size: 12.5px;
    font-weight: 600;
}
ul {
    padding-left: 16px;
    margin: 6px 0;
}
p {
    margin: 6px 0;
}
</style>
