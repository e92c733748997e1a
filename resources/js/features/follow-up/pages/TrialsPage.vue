<script setup lang="ts">
import { computed } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSession } from '@/shared/composables/useSession'
import { count, day } from '@/shared/format'
import { useTrials } from '../api'
import FollowUpTabs from '../components/FollowUpTabs.vue'
import SchoolOnTrial from '../components/SchoolOnTrial.vue'

/** Which school was right: the word of each against the ground of the team. */
const { me } = useSession()
const { data } = useTrials()
const tried = computed(() => data.value?.schools.reduce((sum, { programs }) => sum + programs, 0) ?? 0)
const lede = computed(() =>
    data.value?.schools.length
        ? `${count(tried.value, 'line')} of signed programs answered beside a control, of ${count(data.value.schools.length, 'school')}.`
        : 'No school has been tried on your ground yet: sign a program, spread it, leave a strip untreated, test again.',
)
const usedOf = (school: string) =>
    data.value?.in_use.find((one) => one.school === school && one.ended_at === null) ?? null
</script>

<template>
    <template v-if="data">
        <PageHead :over="me?.team ?? ''" title="Which school was right?" :lede="lede"><FollowUpTabs /></PageHead>
        <SchoolOnTrial
            v-for="school in data.schools"
            :key="school.school"
            :school="school"
            :used="usedOf(school.school)"
        />
        <p class="note rule">The rule, written down on {{ day(data.dated) }}, before any data: {{ data.rule }}</p>
    </template>
</template>

<style scoped>
.rule {
    border-top: 1px solid var(--ink);
    padding-top: 8px;
    max-width: 90ch;
}
</style>
