<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { watchDebounced } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schema } from '@/api/client'
import DateField from '@/shared/components/DateField.vue'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { count, day, number } from '@/shared/format'
import { useCampaign } from '../api'
import CalendarAddresses from '../components/CalendarAddresses.vue'
import FollowUpTabs from '../components/FollowUpTabs.vue'

/** A season's retests over all sites: the work of each week, moved by dragging or with the arrow keys. */
const queries = useQueryClient()
const { me } = useSession()
/** What was typed, and the day that was meant once nobody types any more. */
const route = useRoute()
const given = typeof route.query.from === 'string' ? route.query.from : ''
const asked = ref(given)
const from = ref(given)
watchDebounced(asked, (to) => (from.value = /^[12]\d{3}-/.test(to) ? to : ''), { debounce: 500 })
const { data } = useCampaign(from)
watch(data, (it) => (asked.value ||= it?.from ?? ''))
const areas = computed(() => data.value?.weeks.flatMap((week) => week.areas) ?? [])
const hours = (of: Schema<'Retest'>[]): number => of.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0) / 60
const unknown = (of: Schema<'Retest'>[]): number => of.filter(({ minutes }) => minutes === null).length
const most = computed(() => Math.max(1, ...(data.value?.weeks.map(({ areas: of }) => hours(of)) ?? [])))
const lede = computed(() => {
    if (!data.value) return ''
    const sites = new Set(areas.value.map(({ site }) => site)).size
    return areas.value.length
        ? `${count(areas.value.length, 'area')} of ${count(sites, 'site')} to pull in ${data.value.weeks.length} weeks, ` +
              `${number(hours(areas.value), 1)} hours on foot.`
        : 'Nothing is to be tested again in these weeks.'
})
const said = ref('')
const { save, message } = useSave(
    (area: Schema<'Retest'>, week: string | null) =>
        api.put('/campaign/areas/{area}', { week }, { ids: { area: area.area_id } }),
    () => queries.invalidateQueries({ queryKey: ['campaign'] }),
)
const dragged = ref<Schema<'Retest'> | null>(null)
const over = ref('')
async function move(area: Schema<'Retest'>, week: string | undefined): Promise<void> {
    if (week === undefined) return
    await save(area, week)
    if (message.value) return
    said.value = `${area.area}: week of ${day(week)}`
    await nextTick()
    document.getElementById(`area-${area.area_id}`)?.focus()
}
function take(event: DragEvent, area: Schema<'Retest'>): void {
    dragged.value = area
    event.dataTransfer?.setData('text/plain', area.area)
}
function drop(week: string): void {
    const area = dragged.value
    dragged.value = null
    over.value = ''
    if (area) void move(area, week)
}
const weekBeside = (monday: string, by: number): string | undefined => {
    const weeks = data.value?.weeks ?? []
    return weeks[weeks.findIndex((week) => week.monday === monday) + by]?.monday
}
function later(): void {
    asked.value = data.value?.weeks.at(-1)?.monday ?? ''
}
</script>

<template>
    <template v-if="data">
        <PageHead :over="me?.team ?? ''" title="Campaign" :lede="lede"><FollowUpTabs /></PageHead>
        <div class="row above">
            <FormField label="From the week of"><DateField v-model="asked" name="from" /></FormField>
            <el-button @click="asked = ''">This week</el-button>
            <el-button @click="later">The weeks after</el-button>
            <a :href="`/api/campaign.ics?from=${data.from}`" download>As a calendar file</a>
        </div>
        <p v-if="message" class="wrong" role="alert">{{ message }}</p>
        <p class="sr-only" aria-live="polite">{{ said }}</p>
        <table class="plain weeks">
            <thead>
                <tr>
                    <th>Week of</th>
                    <th class="work">On foot</th>
                    <th>To pull</th>
                </tr>
            </thead>
            <tbody>
                <tr
                    v-for="week in data.weeks"
                    :key="week.monday"
                    :class="{ over: over === week.monday }"
                    @dragover.prevent="over = week.monday"
                    @dragleave="over = ''"
                    @drop.prevent="drop(week.monday)"
                >
                    <td class="when">{{ day(week.monday) }}</td>
                    <td class="work">
                        <template v-if="week.areas.length">
                            <svg viewBox="0 0 120 10" width="120" height="10" aria-hidden="true">
                                <defs>
                                    <pattern
                                        id="work"
                                        width="4.5"
                                        height="4.5"
                                        patternUnits="userSpaceOnUse"
                                        patternTransform="rotate(45)"
                                    >
                                        <path d="M0 0V4.5" stroke="var(--umber)" stroke-width="1.5" />
                                    </pattern>
                                </defs>
                                <rect
                                    x="0.5"
                                    y="0.5"
                                    :width="Math.max(1, (hours(week.areas) / most) * 118)"
                                    height="9"
                                    fill="url(#work)"
                                    stroke="var(--umber)"
                                />
                            </svg>
                            {{ number(hours(week.areas), 1) }} h<span v-if="unknown(week.areas)" class="note"
                                >, {{ unknown(week.areas) }} without a plan</span
                            >
                        </template>
                    </td>
                    <td>
                        <ul>
                            <li v-for="area in week.areas" :key="area.area_id">
                                <button
                                    :id="`area-${area.area_id}`"
                                    type="button"
                                    draggable="true"
                                    class="area"
                                    :class="{ late: area.state === 'overdue' }"
                                    :title="area.reasons[0]?.why"
                                    aria-describedby="how"
                                    @dragstart="take($event, area)"
                                    @dragend="dragged = null"
                                    @keydown.down.prevent="move(area, weekBeside(week.monday, 1))"
                                    @keydown.up.prevent="move(area, weekBeside(week.monday, -1))"
                                    @keydown.delete.prevent="save(area, null)"
                                >
                                    {{ area.area }}<span class="site">, {{ area.site }}</span
                                    ><span v-if="area.state === 'overdue'">, overdue</span
                                    ><span v-if="area.moved_to" class="site">, moved</span>
                                </button>
                                <span class="why note"
                                    >{{ area.reasons[0]?.why }}{{ area.lab ? `; ${area.lab} again` : '' }}</span
                                >
                            </li>
                        </ul>
                    </td>
                </tr>
            </tbody>
        </table>
        <p id="how" class="note">
            Drag an area to another week, or choose it and press the up and down arrow keys; the delete key puts it back
            where the rule proposes it. The week proposed is that of its last round, so that the season stays the same.
        </p>
        <CalendarAddresses />
    </template>
</template>

<style scoped>
.above {
    align-items: flex-end;
    gap: 12px;
    margin-bottom: 12px;
}
.above a {
    padding-bottom: 5px;
}
.when {
    white-space: nowrap;
    width: 100px;
}
.work {
    width: 240px;
    white-space: nowrap;
}
tr.over {
    background: var(--gley-wash);
}
ul {
    list-style: none;
    margin: 0;
    padding: 0;
    min-height: 22px;
}
.area {
    border: 1px solid var(--line);
    border-radius: 2px;
    background: var(--sheet);
    color: var(--ink);
    padding: 2px 8px;
    margin: 2px 0;
    font: inherit;
    cursor: grab;
    text-align: left;
}
.area.late {
    border-color: var(--oxide);
    color: var(--oxide);
}
.site {
    color: var(--ink-2);
}
.why {
    margin-left: 8px;
}
td {
    vertical-align: top;
}
</style>
