<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, type Schema } from '@/api/client'

/** Could two areas share a composite? */
const props = defineProps<{ area: Schema<'Area'>; areas: Schema<'Area'>[] }>()
const other = ref<number | null>(null)
const { data } = useQuery({
    queryKey: ['together', () => props.area.id, other],
    enabled: () => other.value !== null,
    queryFn: () => api.get('/areas/{area}/together/{other}', { ids: { area: props.area.id, other: other.value ?? 0 } }),
})
</script>

<template>
    <div class="together">
        <label>
            <span class="label">Could it share a composite with</span>
            <select v-model="other">
                <option :value="null">…</option>
                <option v-for="one in areas.filter((one) => one.id !== area.id)" :key="one.id" :value="one.id">{{ one.name }}</option>
            </select>
        </label>
        <template v-if="data">
            <p v-if="!data.reasons.length">Nothing known speaks against it.</p>
            <ul v-else>
                <li v-for="reason in data.reasons" :key="reason">{{ reason }}</li>
            </ul>
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
select {
    font: inherit;
    max-width: 100%;
    height: 28px;
    background: var(--sheet);
    border: 1px solid var(--line);
}
ul {
    padding-left: 16px;
    margin: 6px 0;
}
p {
    margin: 6px 0;
}
</style>
