<script setup lang="ts">
defineProps<{ over?: string; title: string; lede?: string }>()
</script>

<template>
    <header class="head">
        <div>
            <p v-if="over" class="over">{{ over }}</p>
            <h1>{{ title }}</h1>
            <p v-if="lede" class="lede">{{ lede }}</p>
        </div>
        <div class="aside no-print"><slot /></div>
    </header>
</template>

<style scoped>
.head {
    display: flex;
    justify-content: space-between;
    align-items: flex-end;
    gap: 28px;
    border-bottom: 1px solid var(--ink);
    padding-bottom: 8px;
    margin-bottom: 16px;
}
.lede {
    margin: 6px 0 0;
}
.aside {
    display: flex;
    gap: 8px;
    flex-shrink: 0;
}
@media (max-width: 700px) {
    .head {
        display: block;
    }
    .aside {
        margin-top: 10px;
        flex-wrap: wrap;
        align-items: center;
        gap: 16px;
    }
}
</style>
