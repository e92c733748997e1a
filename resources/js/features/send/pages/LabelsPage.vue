<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import LabelSheet, { type Label } from '@/shared/components/LabelSheet.vue'
import PageHead from '@/shared/components/PageHead.vue'
import { day, depth, portionName } from '@/shared/format'
import { useSample } from '../api'

const route = useRoute()
const id = computed(() => Number(route.params.sample))
const { data: sample } = useSample(id)
/** A hidden duplicate's label reads as that of one more composite, or it would not be hidden. */
const labels = computed<Label[]>(() => {
    const found = sample.value
    return (found?.portions ?? []).map((portion) => ({
        code: portion.code,
        title: `${portionName(portion.kind === 'hidden' ? 'lab' : portion.kind)}, composite ${portion.alias}`,
        lines: [
            `${found!.area.name}, ${depth(found!.depth)}`,
            `Pulled ${day(found!.pulled_on)}, ${found!.pulled_by}, ${found!.cores_pulled} cores`,
            [found!.site.name, found!.site.owner, found!.site.address, found!.site.phone].filter(Boolean).join(', '),
            ...(portion.tests.length ? [`Tests wanted: ${portion.tests.join(', ')}`] : []),
        ],
    }))
})
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
        <LabelSheet :labels="labels" />
    </template>
</template>
