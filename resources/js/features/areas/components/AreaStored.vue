<script setup lang="ts">
import type { Schema } from '@/api/client'
import { acresAndHectares } from '@/shared/format'

/** What somebody else saved of an area while it was being changed here, beside what was typed. */
defineProps<{ stored: Schema<'Area'>; typed: { name: string; use: string; history: string } }>()
defineEmits<{ take: []; over: [] }>()
</script>

<template>
    <section class="stored" aria-label="What is stored now">
        <table class="plain">
            <thead>
                <tr>
                    <th><span class="sr">What</span></th>
                    <th>Stored now</th>
                    <th>Yours</th>
                </tr>
            </thead>
            <tbody>
                <tr
                    v-for="key in ['name', 'use', 'history'] as const"
                    :key="key"
                    :class="{ other: stored[key] !== typed[key] }"
                >
                    <td>{{ { name: 'Name', use: 'Use', history: 'History' }[key] }}</td>
                    <td>{{ stored[key] || 'none' }}</td>
                    <td>{{ typed[key] || 'none' }}</td>
                </tr>
                <tr>
                    <td>Extent</td>
                    <td>{{ acresAndHectares(stored.area_m2) }}</td>
                    <td>as drawn here</td>
                </tr>
            </tbody>
        </table>
        <p class="row">
            <button type="button" class="link" @click="$emit('take')">Take what is stored</button>
            <button type="button" class="link" @click="$emit('over')">Save mine over it</button>
        </p>
    </section>
</template>

<style scoped>
.stored {
    border-left: 3px solid var(--amber);
    padding-left: 8px;
    margin-bottom: 10px;
}
.other td {
    background: var(--amber-wash);
}
td {
    overflow-wrap: anywhere;
}
td:first-child {
    white-space: nowrap;
    overflow-wrap: normal;
}
.row {
    margin: 8px 0 0;
}
</style>
