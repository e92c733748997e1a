<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import QRCode from 'qrcode'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import { day, depth } from '@/shared/format'

const route = useRoute()
const id = computed(() => Number(route.params.sample))
const { data: sample } = useQuery({ queryKey: ['sample', id], queryFn: () => api.get('/samples/{sample}', { ids: { sample: id.value } }) })
const codes = ref<Record<string, string>>({})
watch(
    sample,
    async (found) => {
        const made = await Promise.all(
            (found?.portions ?? []).map(
                async ({ code }) => [code, await QRCode.toString(code, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' })] as const,
            ),
        )
        codes.value = Object.fromEntries(made)
    },
    { immediate: true },
)
const image = (code: string): string => `data:image/svg+xml;utf8,${encodeURIComponent(codes.value[code] ?? '')}`
const print = (): void => window.print()
</script>

<template>
    <template v-if="sample">
        <PageHead
            class="no-print"
            :over="sample.area.name"
            :title="`Labels of ${sample.code}`"
            lede="One for each bag. Stick it on the bag itself; the last character of a code checks the others."
        >
            <RouterLink :to="`/samples/${sample.id}`">Back to the sample</RouterLink>
            <el-button type="primary" @click="print">Print</el-button>
        </PageHead>
        <div class="sheet">
            <article v-for="portion in sample.portions" :key="portion.id" class="label">
                <img v-if="codes[portion.code]" :src="image(portion.code)" :alt="`QR code of ${portion.code}`" width="108" height="108" />
                <div>
                    <p class="code">{{ portion.code }}</p>
                    <p class="kind">{{ portion.kind === 'lab' ? 'Lab portion' : 'Bench portion' }}, composite {{ sample.code }}</p>
                    <p>{{ sample.area.name }}, {{ depth(sample.depth) }}</p>
                    <p>Pulled {{ day(sample.pulled_on) }}, {{ sample.pulled_by }}, {{ sample.cores_pulled }} cores</p>
                    <p>{{ sample.site.name }}, {{ sample.site.address }}</p>
                    <p v-if="portion.kind === 'lab'">Tests wanted: pH in water, buffer pH</p>
                </div>
            </article>
        </div>
    </template>
</template>

<style scoped>
.sheet {
    display: flex;
    flex-wrap: wrap;
    gap: 16px;
}
.label {
    display: flex;
    gap: 16px;
    width: 460px;
    border: 1px solid var(--ink);
    background: #fff;
    padding: 14px;
    break-inside: avoid;
}
.label p {
    margin: 0 0 2px;
}
.code {
    font: 700 26px/1.1 var(--sans);
}
.kind {
    font-weight: 600;
    margin-bottom: 6px !important;
}
</style>
