<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useSave } from '@/shared/composables/useSave'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { api, type Schema } from '@/api/client'

/** Could two areas share a composite? */
const props = defineProps<{ area: Schema<'Area'>; areas: Schema<'Area'>[] }>()
const other = ref<number | null>(null)
const { data } = useQuery({
    queryKey: ['together', () => props.area.id, other],
    enabled: () => other.value !== null,
    queryFn: () => api.get('/areas/{area}/together/{other}', { ids: { area: props.area.id, other: other.value ?? 0 } }),
})
const emit = defineEmits<{ joined: [area: Schema<'Area'>] }>()
const { save, saving, refusal } = useSave(
    () => api.post('/areas/{area}/join/{other}', undefined, { ids: { area: props.area.id, other: other.value ?? 0 } }),
    (area) => emit('joined', area),
)
</script>

<template>
    <div class="together">
        <label>
            <span class="label">Could it share a composite with</span>
            <select v-model="other">
                <option :value="null">…</option>
                <option v-for="one in areas.filter((one) => one.id !== area.id)" :key="one.id" :value="one.id">
                    {{ one.name }}
                </option>
            </select>
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
