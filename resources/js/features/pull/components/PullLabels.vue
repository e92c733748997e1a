<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import LabelSheet, { type Label } from '@/shared/components/LabelSheet.vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { depth, portionName } from '@/shared/format'
import { usePlan } from '@/shared/api'
import { useKeptCodes } from '../api'

/** Labels printed before the field, under codes that are kept for this plan; date and cores are written by hand. */
const planId = Number(useRoute().params.plan)
const { site } = useSite()
const { data: plan } = usePlan(planId)
const codes = useKeptCodes(planId)
const labels = computed<Label[]>(() =>
    (codes.data.value ?? []).flatMap((kept) =>
        kept.portions.map((portion) => ({
            code: portion.code,
            title: `${portionName(portion.kind)}, composite ${kept.code}`,
            lines: [
                `${plan.value?.area.name ?? ''}, ` +
                    `${depth(kept.depth)}${(plan.value?.layout.composites.length ?? 1) > 1 ? `, part ${kept.composite}` : ''}`,
                'Pulled ____ / ____ / ______   by ______________   cores ____',
                [site.value?.name, site.value?.owner, site.value?.address, site.value?.phone]
                    .filter(Boolean)
                    .join(', '),
            ],
        })),
    ),
)
const print = (): void => window.print()
</script>

<template>
    <PageHead
        class="no-print"
        :over="plan?.area.name ?? ''"
        title="Labels ahead"
        lede="These codes are kept for this plan. Write date, name and cores on the bag when it is filled."
    >
        <RouterLink to="/pull">Back to the plans</RouterLink>
        <el-button type="primary" @click="print">Print</el-button>
    </PageHead>
    <p v-if="codes.error.value" class="wrong">{{ codes.error.value.message }}</p>
    <p v-else-if="codes.data.value && !labels.length">
        Everything of this plan was pulled; its labels are with its samples.
    </p>
    <LabelSheet :labels="labels" />
</template>
