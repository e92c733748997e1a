<script setup lang="ts">
import type { Refused } from '@/api/client'

/** Says loudly why nothing was saved; by row where a file has several faults. */
defineProps<{ refusal: Refused | null }>()
</script>

<template>
    <div v-if="refusal" class="refusal" role="alert">
        <strong>Not saved.</strong>
        {{ refusal.message }}
        <ul v-if="refusal.rows.length">
            <li v-for="(row, i) in refusal.rows.slice(0, 20)" :key="i">{{ row.message }}</li>
            <li v-if="refusal.rows.length > 20">and {{ refusal.rows.length - 20 }} more</li>
        </ul>
    </div>
</template>

<style scoped>
.refusal {
    border-left: 3px solid var(--oxide);
    background: var(--el-color-danger-light-9);
    padding: 8px 10px;
    margin: 0 0 12px;
}
ul {
    margin: 6px 0 0;
    padding-left: 18px;
}
</style>
