<script setup lang="ts">
/** What somebody else saved while it was being changed here, beside what was typed. */
export interface Beside {
    what: string
    stored: string
    typed: string
}
defineProps<{ rows: Beside[] }>()
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
                <tr v-for="row in rows" :key="row.what" :class="{ other: row.stored !== row.typed }">
                    <td>{{ row.what }}</td>
                    <td>{{ row.stored || 'none' }}</td>
                    <td>{{ row.typed || 'none' }}</td>
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
