<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import PageHead from '@/shared/components/PageHead.vue'
import { count } from '@/shared/format'
import CheckSoils from '../components/CheckSoils.vue'
import LabCard from '../components/LabCard.vue'
import LabForm from '../components/LabForm.vue'
import { useLabs } from '@/shared/api'

/** Labs as they are known: tests, fees, times, what their form asks, and the columns of their list. */
const { data } = useLabs()
const open = ref<number | 'new' | null>(null)
const route = useRoute()
watch(
    () => route.query.do,
    (what) => what === 'new' && (open.value = 'new'),
    { immediate: true },
)
</script>

<template>
    <PageHead
        over="Send"
        title="Labs"
        :lede="
            data
                ? data.labs.length
                    ? `${count(data.labs.length, 'lab')}. Stay with one lab and one extractant over the years; a ` +
                      `change of either breaks the series.`
                    : 'No lab yet. Add the one your samples go to.'
                : ''
        "
    >
        <RouterLink to="/send">Back to the ledger</RouterLink>
        <el-button type="primary" @click="open = 'new'">Add a lab</el-button>
    </PageHead>
    <LabCard
        v-for="lab in data?.labs ?? []"
        :key="lab.id"
        :lab="lab"
        :service="data!.service"
        @change="open = lab.id"
    />
    <LabForm v-if="open" :key="open" :lab="data?.labs.find(({ id }) => id === open) ?? null" @done="open = null" />
    <CheckSoils />
</template>
