<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** What the composite fills, and who gets it. */
const props = defineProps<{ bucket: Schema<'Bucket'> }>()
const parts = computed(() => {
    const { composite_ml: all, lab_bag_ml: lab, bench_bag_ml: bench } = props.bucket
    const given = [Math.min(lab, all), Math.min(bench, Math.max(0, all - lab)), Math.max(0, all - lab - bench)]
    return [
        { name: 'lab', ml: given[0]!, fill: '#5C4128' },
        { name: 'bench', ml: given[1]!, fill: '#BC9355' },
        { name: 'to spare', ml: given[2]!, fill: 'var(--straw)' },
    ].filter((part) => part.ml > 0)
})
</script>

<template>
    <div>
        <h3>
            Bucket {{ number(bucket.composite_ml) }} mL
            <span class="of">of {{ number(bucket.bucket_ml) }} mL</span>
        </h3>
        <div class="bar" role="img" :aria-label="parts.map((part) => `${part.name} ${number(part.ml)} mL`).join(', ')">
            <span v-for="part in parts" :key="part.name" :style="{ flexGrow: part.ml, background: part.fill }"></span>
        </div>
        <p class="note row">
            <span v-for="part in parts" :key="part.name">
                <i :style="{ background: part.fill }"></i>
                {{ part.name }} {{ number(part.ml) }}
            </span>
        </p>
    </div>
</template>

<style scoped>
.of {
    font: 13px var(--sans);
    color: var(--ink-2);
}
.bar {
    display: flex;
    height: 18px;
    border: 1.1px solid var(--ink);
    margin: 6px 0 4px;
}
.bar span + span {
    border-left: 1px solid var(--ink);
}
i {
    display: inline-block;
    width: 9px;
    height: 9px;
    border: 1px solid var(--ink);
}
.note {
    gap: 12px;
}
</style>
