<script setup lang="ts">
import { ref, watch } from 'vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import PageTurner from '@/shared/components/PageTurner.vue'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { moment } from '@/shared/format'
import PeopleTabs from '../components/PeopleTabs.vue'
import { useEvents } from '../api'
import { KINDS } from '../words'

const { me } = useSession()
const { timezone } = useSite()
const page = ref(1)
const kind = ref('')
watch(kind, () => (page.value = 1))
const { data, error } = useEvents(page, kind)
</script>

<template>
    <PageHead
        :over="me?.team ?? ''"
        title="What was done"
        lede="Sign-ins, refusals, roles, what was taken out and what was shared. Written once; nobody changes it."
    >
        <PeopleTabs />
    </PageHead>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <template v-else-if="data">
        <p class="row">
            <OneOf
                v-model="kind"
                none="everything"
                aria-label="Only"
                size="default"
                style="width: 240px"
                :options="Object.entries(KINDS)"
            />
        </p>
        <table class="plain">
            <thead>
                <tr>
                    <th>When</th>
                    <th>Who</th>
                    <th>What</th>
                    <th>From</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in data.rows" :key="one.id">
                    <td>{{ moment(one.at, timezone) }}</td>
                    <td>{{ one.who }}</td>
                    <td>{{ KINDS[one.kind] ?? one.kind }}{{ one.about ? `: ${one.about}` : '' }}</td>
                    <td>{{ one.place }}</td>
                </tr>
            </tbody>
        </table>
        <PageTurner :of="data" label="Pages of the log" noun="lines" @turn="(to) => (page = to)" />
    </template>
</template>
