<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { type Schema } from '@/api/client'
import CoreGlyph from '@/shared/components/CoreGlyph.vue'
import PageHead from '@/shared/components/PageHead.vue'
import PageTurner from '@/shared/components/PageTurner.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, day, depth, portionName } from '@/shared/format'
import LedgerFilters from '../components/LedgerFilters.vue'
import PortionTrack from '../components/PortionTrack.vue'
import SampleLink from '../components/SampleLink.vue'
import { useLedger } from '../composables/useLedger'
import { useToday } from '@/shared/api'
import { useOpenConsignments } from '../api'

const router = useRouter()
const { site, siteId } = useSite()
const { asked, ledger, set, csv } = useLedger()
const today = useToday(siteId)
const consignments = useOpenConsignments()
const data = computed(() => ledger.data.value)
/** What is more than was counted is said so. */
const composites = ({ total, more }: { total: number; more: boolean }): string =>
    more ? `more than ${count(total, 'composite')}` : count(total, 'composite')
const due = computed(() => today.data.value?.due.filter((one) => one.kind !== 'plan') ?? [])
const lede = computed(() => {
    const urgent = due.value.filter((one) => one.urgent)
    if (urgent.length)
        return (
            urgent
                .slice(0, 2)
                .map((one) => `${one.text}, ${one.detail}`)
                .join('. ') + '.'
        )
    return data.value?.total ? `${composites(data.value)}. Nothing is late and nothing is getting warm.` : ''
})
const narrowed = computed(() => Object.keys(asked.value).some((key) => key !== 'page'))
function clockOf(portion: Schema<'PortionOnItsWay'>): { text: string; bad: boolean } {
    const left = portion.deadline_at ? (Date.parse(portion.deadline_at) - Date.now()) / 3_600_000 : null
    if (portion.consignment && portion.consignment.days_late > 0 && portion.state !== 'reported')
        return { text: `${count(portion.consignment.days_late, 'working day')} late`, bad: true }
    if (
        left !== null &&
        !['arrived', 'measured', 'reported', 'shelved', 'used_up', 'discarded', 'lost'].includes(portion.state)
    )
        return left > 0
            ? { text: `${Math.floor(left)} h ${Math.floor((left % 1) * 60)} min left`, bad: left < 6 }
            : { text: portion.tests.includes('nitrate') ? 'its time has run out' : 'to be spread and dried', bad: true }
    return { text: '', bad: false }
}
const place = (portion: Schema<'PortionOnItsWay'>): string =>
    portion.place ? `${portion.state_name}, ${portion.place}` : portion.state_name
/** Portions chosen for one step together; on all pages of the ledger. */
const chosen = ref<string[]>([])
const here = computed(() => data.value?.rows.flatMap((row) => row.portions.map(({ code }) => code)) ?? [])
const allHere = computed({
    get: () => here.value.length > 0 && here.value.every((code) => chosen.value.includes(code)),
    set: (all) =>
        (chosen.value = all
            ? [...new Set([...chosen.value, ...here.value])]
            : chosen.value.filter((code) => !here.value.includes(code))),
})
const step = (): unknown => router.push({ path: '/scan', query: { code: chosen.value } })
function scan(event: Event): void {
    const field = event.target as HTMLInputElement
    if (field.value.trim()) void router.push({ path: '/scan', query: { code: field.value.trim() } })
}
</script>

<template>
    <template v-if="site && data">
        <PageHead :over="`All sites, season ledger`" title="Send and track" :lede="lede">
            <RouterLink to="/labs">Labs</RouterLink>
            <RouterLink to="/scan">Scan codes</RouterLink>
            <el-button type="primary" @click="router.push('/consignments/new')">Pack a consignment</el-button>
        </PageHead>
        <div v-if="consignments.data.value?.length" class="consignments">
            <RouterLink
                v-for="one in consignments.data.value"
                :key="one.id"
                :to="`/consignments/${one.id}`"
                :class="{ bad: one.days_late > 0 }"
            >
                <strong>Consignment {{ one.number }}</strong> {{ one.state === 'sent' ? 'on its way' : one.state }},
                {{ one.lab }}, {{ count(one.portions, 'portion')
                }}{{
                    one.days_late > 0
                        ? `, ${one.days_late} working days late`
                        : one.expected_on
                          ? `, report expected ${day(one.expected_on)}`
                          : ''
                }}
            </RouterLink>
        </div>
        <div class="tools no-print">
            <input
                placeholder="Scan or type a label code"
                aria-label="Scan or type a label code"
                @keydown.enter.prevent="scan"
            />
            <p class="legend" aria-hidden="true">
                <svg width="330" height="16">
                    <circle cx="8" cy="8" r="4" fill="var(--umber)" />
                    <text x="18" y="12">done</text>
                    <circle cx="66" cy="8" r="4" fill="var(--umber)" />
                    <circle cx="66" cy="8" r="7" fill="none" stroke="var(--umber)" />
                    <text x="78" y="12">here now</text>
                    <circle cx="146" cy="8" r="4" fill="var(--sheet)" stroke="var(--line)" />
                    <text x="156" y="12">expected</text>
                    <path d="M224 2l6 6-6 6-6-6z" fill="var(--oxide)" />
                    <text x="236" y="12">late</text>
                </svg>
            </p>
        </div>
        <LedgerFilters :asked="asked" @set="set" />
        <p v-if="chosen.length" class="chosen no-print" role="status">
            {{ count(chosen.length, 'portion') }} chosen
            <el-button type="primary" @click="step"
                >Note a step for {{ chosen.length === 1 ? 'it' : 'them' }}</el-button
            >
            <button type="button" class="link" @click="chosen = []">Choose none</button>
        </p>
        <table v-if="data.rows.length" class="plain ledger">
            <thead>
                <tr>
                    <th>Sample</th>
                    <th><span class="sr">Core</span></th>
                    <th>
                        <label class="pick"
                            ><input
                                v-model="allHere"
                                type="checkbox"
                                class="no-print"
                                aria-label="Choose all on this page"
                            />
                            Portion</label
                        >
                    </th>
                    <th>
                        <svg viewBox="0 0 500 14" class="stations" aria-hidden="true">
                            <text
                                v-for="(name, i) in ['Split', 'Packed', 'Sent', 'Arrived', 'Measured', 'Reported']"
                                :key="name"
                                :x="4 + 84 * i"
                                y="11"
                            >
                                {{ name }}
                            </text>
                        </svg>
                        <span class="sr">Way</span>
                    </th>
                    <th>Where it is</th>
                    <th>Clock</th>
                </tr>
            </thead>
            <tbody v-for="row in data.rows" :key="row.id">
                <tr v-for="(portion, i) in row.portions" :key="portion.id">
                    <td v-if="i === 0" :rowspan="row.portions.length" class="sample">
                        <SampleLink :id="row.id" :code="row.code" /> {{ depth(row.depth) }}<br />
                        {{ row.area }}<br />
                        <span class="note"
                            >{{ row.cores_pulled }} of {{ row.cores_planned }} cores, {{ day(row.pulled_on) }}</span
                        >
                        <span v-if="row.deviations.length" class="note odd">{{ row.deviations.join('; ') }}</span>
                    </td>
                    <td v-if="i === 0" :rowspan="row.portions.length" class="core">
                        <CoreGlyph :depth="row.depth" :scale="0.7" :width="12" />
                    </td>
                    <td class="bag">
                        <label class="pick"
                            ><input
                                v-model="chosen"
                                type="checkbox"
                                class="no-print"
                                :value="portion.code"
                                :aria-label="`Choose ${portion.code}`"
                            />
                            <strong>{{ portion.code }}</strong></label
                        >
                        <span class="note kind">{{ portionName(portion.kind) }}</span>
                    </td>
                    <td class="way"><PortionTrack :portion="portion" /></td>
                    <td class="place">{{ place(portion) }}</td>
                    <td :class="{ bad: clockOf(portion).bad }">{{ clockOf(portion).text }}</td>
                </tr>
            </tbody>
        </table>
        <p v-else-if="narrowed">
            No sample has all of this.
            <button type="button" class="link" @click="router.replace('/send')">Show all</button>
        </p>
        <p v-else><RouterLink to="/pull">Pull a plan first</RouterLink></p>
        <PageTurner
            v-if="data.total"
            :of="data"
            label="Pages of the ledger"
            noun="composites"
            @turn="(page) => set({ page: String(page) })"
        >
            <a :href="csv">Download as CSV</a>
        </PageTurner>
        <p class="note">
            Air-dry soil keeps for routine tests; nitrate goes cold and fast. Label the bag itself, not only inside it.
            Soil across a quarantine border needs a permit: ask first.
        </p>
    </template>
</template>

<style scoped>
.pick {
    display: inline-flex;
    gap: 6px;
    align-items: center;
    min-height: 24px;
}
.chosen {
    position: sticky;
    top: 0;
    z-index: 5;
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
    background: var(--gley-wash);
    color: var(--gley-deep);
    padding: 6px 10px;
}
@media (max-width: 700px) {
    .pick {
        min-height: 44px;
    }
}
.consignments {
    display: grid;
    gap: 2px;
    margin-bottom: 10px;
}
.bad {
    color: var(--oxide);
    font-weight: 600;
}
.tools {
    display: flex;
    gap: 20px;
    align-items: center;
    margin-bottom: 8px;
}
.tools input {
    width: 230px;
    height: 32px;
    border: 1px solid var(--ink);
    background: var(--sheet);
    padding: 0 10px;
    font: inherit;
}
.legend {
    margin: 0 0 0 auto;
}
.legend text,
.stations text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
.stations {
    width: 100%;
    max-width: 500px;
    display: block;
}
.ledger tbody {
    border-bottom: 1px solid var(--rule);
}
.ledger td {
    border-bottom: 0;
    padding-top: 4px;
    padding-bottom: 4px;
    vertical-align: middle;
}
.ledger td.sample {
    vertical-align: top;
    min-width: 150px;
    line-height: 1.3;
}
.kind {
    margin-left: 4px;
    white-space: nowrap;
    font-stretch: 86%;
}
.ledger td.core {
    vertical-align: top;
}
.odd {
    display: block;
    color: var(--amber);
}
.bag {
    white-space: nowrap;
}
.way {
    width: 38%;
}
.place {
    font-size: 12px;
    line-height: 1.2;
    font-stretch: 86%;
}
</style>
