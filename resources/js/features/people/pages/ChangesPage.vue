<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schema } from '@/api/client'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import PageTurner from '@/shared/components/PageTurner.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { day, moment } from '@/shared/format'
import PeopleTabs from '../components/PeopleTabs.vue'
import { useChanges } from '../api'
import { FIELDS, RECORDS } from '../words'

/** Names, facts, answers and moves, from what to what; each can be taken back until it is changed again. */
const route = useRoute()
const queries = useQueryClient()
const { me } = useSession()
const { timezone } = useSite()
const page = ref(1)
const kind = ref(typeof route.query.kind === 'string' ? route.query.kind : '')
const record = computed(() => Number(route.query.record) || undefined)
watch(kind, () => (page.value = 1))
const { data, error } = useChanges(() => ({
    page: page.value,
    kind: kind.value || undefined,
    record: kind.value === route.query.kind ? record.value : undefined,
}))
const back = useSave(
    (id: number) => api.post('/changes/{change}/take-back', undefined, { ids: { change: id } }),
    () => queries.invalidateQueries(),
)
const DAYS = ['pull_on', 'week']
const worded = (field: string, value: string | null): string =>
    !value ? 'none' : DAYS.includes(field) ? day(value.slice(0, 10)) : value
const told = ({ field, before, after }: Schema<'ChangedField'>): string =>
    before === null && after === null
        ? (FIELDS[field] ?? field)
        : `${FIELDS[field] ?? field}: ${worded(field, before)} → ${worded(field, after)}`
</script>

<template>
    <PageHead
        :over="me?.team ?? ''"
        title="What was changed"
        lede="Names, facts, answers and moves, from what to what. What was not changed again since can be taken back."
    >
        <PeopleTabs />
    </PageHead>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <RefusalNote :refusal="back.refusal.value" />
    <template v-if="data">
        <p class="row">
            <OneOf
                v-model="kind"
                none="everything"
                aria-label="Only"
                size="default"
                style="width: 240px"
                :options="Object.entries(RECORDS)"
            />
        </p>
        <p v-if="!data.rows.length" class="lede">Nothing was changed here yet.</p>
        <table v-else class="plain">
            <thead>
                <tr>
                    <th>When</th>
                    <th>Who</th>
                    <th>Of</th>
                    <th>What</th>
                    <th><span class="sr">Take it back</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in data.rows" :key="one.id">
                    <td>{{ moment(one.at, timezone) }}</td>
                    <td>{{ one.who }}</td>
                    <td>{{ RECORDS[one.kind] ?? one.kind }} {{ one.name }}</td>
                    <td>
                        {{ one.takes_back ? 'Taken back. ' : '' }}{{ one.removed ? 'Removed. ' : '' }}
                        <span v-for="field in one.fields" :key="field.field" class="field">{{ told(field) }}</span>
                    </td>
                    <td>
                        <span v-if="one.taken_back" class="note">taken back</span>
                        <button
                            v-else-if="one.can_go_back && me?.may_write"
                            type="button"
                            class="link"
                            :aria-label="`Take it back: ${one.name}, ${moment(one.at, timezone)}`"
                            @click="back.save(one.id)"
                        >
                            Take it back
                        </button>
                    </td>
                </tr>
            </tbody>
        </table>
        <PageTurner :of="data" label="Pages of changes" noun="changes" @turn="(to) => (page = to)" />
    </template>
</template>

<style scoped>
.field {
    display: block;
    margin: 0;
    overflow-wrap: anywhere;
}
</style>
