<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref } from 'vue'
import type { Schema } from '@/api/client'
import PhonePage from '@/shared/components/PhonePage.vue'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { bedRate, count, day, extent, mass, today } from '@/shared/format'
import { canKeep } from '@/shared/offline/install'
import { onSent } from '@/shared/offline/outbox'
import { useProducts, useSpreadLines } from '../api'
import SpreadOtherwise from '../components/SpreadOtherwise.vue'
import { useSpread } from '../composables/useSpread'
import { useTakeSpread } from '../composables/useTakeSpread'
import { rateText } from '../words'

/** The spreader's log on the phone: as planned in one tap, or otherwise; with no signal too. */
type Line = Schema<'SpreadLine'>
const queries = useQueryClient()
const { me } = useSession()
const { site, siteId, areas, units, timezone } = useSite()
const { data, error } = useSpreadLines(siteId)
const products = useProducts()
const user = computed(() => me.value?.email ?? '')
const { kept, trouble, busy, note } = useSpread(user)
const { taken, taking, trouble: notTaken, take } = useTakeSpread(siteId)
onScopeDispose(onSent(() => void queries.invalidateQueries()))

const here = computed(() => today(timezone.value))
const keyOf = (program: number | null, line: string): string => `${program} ${line}`
const idOf = (line: Line): string => keyOf(line.program_id, line.key)
/** What this phone noted and has not sent yet stands as noted. */
const waiting = computed(
    () => new Set(kept.value.map(({ body }) => body.line && keyOf(body.program_id, body.line)).filter(Boolean)),
)
const takenBack = computed(() => new Set(kept.value.map((one) => one.body.takes_back).filter(Boolean)))
const stands = (one: { uuid: string | null }): boolean => !takenBack.value.has(one.uuid)
const isNoted = (line: Line): boolean => waiting.value.has(idOf(line)) || line.noted.some(stands)
const open = computed(() => data.value?.lines.filter((line) => !isNoted(line)) ?? [])
const done = computed(() => data.value?.lines.filter(isNoted).reverse() ?? [])
const otherwise = ref<Line | 'other' | null>(null)
const chosen = ref<string | null>(null)
const where = (line: Line): string => (line.part === 0 ? line.area : `${line.area}, ${line.label.toLowerCase()}`)

const whenAndWho = (one: Schema<'LoggedEvent'>): string =>
    [day(one.on), one.spread_by || one.noted_by, one.as_planned && 'as planned'].filter(Boolean).join(', ')

function asPlanned(line: Line): Promise<boolean> {
    return note(
        {
            area_id: line.area_id,
            program_id: line.program_id,
            part: line.part,
            product: line.product,
            what: '',
            as_planned: true,
            line: line.key,
            amount: null,
            unit: '',
            on: here.value,
            weather: '',
            spread_by: me.value?.name ?? '',
            note: '',
            takes_back: null,
        },
        `${line.name} on ${where(line)}`,
        null,
    )
}
function takeBack(event: { area_id: number; uuid: string | null; what: string }): Promise<boolean> {
    return note(
        {
            area_id: event.area_id,
            program_id: null,
            part: 0,
            product: '',
            what: '',
            as_planned: false,
            line: null,
            amount: null,
            unit: '',
            on: here.value,
            weather: '',
            spread_by: '',
            note: '',
            takes_back: event.uuid,
        },
        `Taking back ${event.what}`,
        null,
    )
}
async function noteOther(body: Omit<Schema<'SpreadEntry'>, 'uuid'>, photo: File | null): Promise<void> {
    const name = products.data.value?.products.find(({ code }) => code === body.product)?.name ?? body.what
    const area = areas.value.find(({ id }) => id === body.area_id)?.name ?? 'an area'
    if (await note(body, `${name} on ${area}`, photo)) otherwise.value = null
}
</script>

<template>
    <PhonePage title="Spreading log" back="/follow-up" back-words="Back to the retests">
        <template #under>
            <p v-if="site && data">
                {{ site.name }}:
                {{ open.length ? `${count(open.length, 'line')} to spread` : 'every line is noted' }}
            </p>
        </template>
        <p v-if="error && !data" class="wrong" role="alert">
            The lines of this site are not on this phone. {{ error.message }}
        </p>
        <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
        <template v-if="data && site && me">
            <p v-if="canKeep" class="along">
                <button type="button" class="link" :disabled="taking" @click="take">Take along to the field</button>
                <span class="note">{{
                    taken ? 'On this phone: it works with no signal.' : 'Keeps these lines on this phone.'
                }}</span>
                <span v-if="notTaken" class="wrong" role="alert">{{ notTaken }}</span>
            </p>
            <SpreadOtherwise
                v-if="otherwise !== null"
                :line="otherwise === 'other' ? null : otherwise"
                :areas="areas"
                :products="products.data.value?.products ?? []"
                :units="units"
                :today="here"
                :by="me?.name ?? ''"
                :busy="busy"
                @done="noteOther"
                @close="otherwise = null"
            />
            <template v-else>
                <ol class="lines">
                    <li v-for="line in open" :key="idOf(line)">
                        <button
                            type="button"
                            class="what"
                            :aria-expanded="chosen === idOf(line)"
                            @click="chosen = chosen === idOf(line) ? null : idOf(line)"
                        >
                            <strong>{{ rateText(line.lb_per_acre, units) }}</strong>
                            <span class="when" :class="{ late: line.late }"
                                >{{ day(line.on) }}{{ line.late ? ', late' : '' }}</span
                            >
                            <span class="name">{{ line.name }}</span>
                            <span class="where">{{ where(line) }}</span>
                        </button>
                        <div v-if="chosen === idOf(line)" class="open">
                            <p>
                                {{ mass(line.lb_per_acre * line.acres, units) }} on {{ extent(line.area_m2, units) }};
                                {{ bedRate(line.lb_per_acre, units) }}.
                                {{ line.what }}
                            </p>
                            <button type="button" class="big" :disabled="busy" @click="asPlanned(line)">
                                Spread as planned
                            </button>
                            <button type="button" class="big quiet" @click="otherwise = line">Otherwise</button>
                        </div>
                    </li>
                </ol>
                <p v-if="!data.lines.length">
                    No program with anything to spread is signed for this site.
                    <RouterLink to="/prescribe">Look at the programs</RouterLink>
                </p>
                <button type="button" class="big quiet" @click="otherwise = 'other'">Something else was spread</button>
                <h2 v-if="done.length || data.other.length">Noted</h2>
                <ul class="done">
                    <template v-for="line in done" :key="idOf(line)">
                        <li v-if="waiting.has(idOf(line))">
                            <span
                                ><strong>{{ rateText(line.lb_per_acre, units) }}</strong> {{ line.name }},
                                {{ where(line) }}</span
                            >
                            <span class="note">kept on this phone</span>
                        </li>
                        <li v-for="one in line.noted.filter(stands)" :key="one.id">
                            <span
                                ><strong>{{ rateText(one.lb_per_acre, units) }}</strong> {{ one.what }},
                                {{ where(line) }}</span
                            >
                            <span class="note">{{ whenAndWho(one) }}</span>
                            <button
                                v-if="one.uuid"
                                type="button"
                                class="link"
                                :disabled="busy"
                                @click="takeBack({ ...one, area_id: line.area_id })"
                            >
                                Take back
                            </button>
                        </li>
                    </template>
                    <li v-for="one in data.other.filter(stands)" :key="one.id">
                        <span
                            ><strong>{{ rateText(one.lb_per_acre, units) }}</strong> {{ one.what }},
                            {{ one.area }}</span
                        >
                        <span class="note">{{ day(one.on) }}, {{ one.spread_by || one.noted_by }}</span>
                        <button v-if="one.uuid" type="button" class="link" :disabled="busy" @click="takeBack(one)">
                            Take back
                        </button>
                    </li>
                </ul>
                <p class="note">
                    Wear what the bag says. Lime and sulphur are dust: keep out of the cloud, and off in wind. The label
                    goes first.
                </p>
            </template>
        </template>
    </PhonePage>
</template>

<style scoped>
.along {
    display: flex;
    align-items: center;
    gap: 10px;
    flex-wrap: wrap;
    margin: 0 0 8px;
}
.along .link,
.done .link {
    min-height: 44px;
    font-weight: 600;
}
.lines,
.done {
    list-style: none;
    margin: 0 0 12px;
    padding: 0;
    border-top: 1px solid var(--ink);
}
.lines > li {
    border-bottom: 1px solid var(--rule);
}
.what {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 8px;
    width: 100%;
    min-height: 72px;
    padding: 10px 0;
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    text-align: left;
    cursor: pointer;
}
.what strong {
    font: 700 22px/1.1 var(--serif);
    font-feature-settings: 'lnum';
}
.when {
    text-align: right;
    align-self: end;
}
.name,
.where {
    grid-column: 1 / -1;
}
.where {
    color: var(--ink-2);
}
.late {
    color: var(--amber-text);
}
.open p {
    margin: 0 0 10px;
}
.phone :deep(.big) {
    display: block;
    width: 100%;
    min-height: 76px;
    border: 1.5px solid var(--gley-deep);
    border-radius: 4px;
    background: var(--gley);
    color: var(--sheet);
    font: 700 24px var(--sans);
    cursor: pointer;
    margin-bottom: 10px;
}
.phone :deep(.big.quiet) {
    background: var(--sheet);
    color: var(--gley);
    font-size: 19px;
    min-height: 56px;
}
.phone :deep(.el-input__wrapper),
.phone :deep(.pick .button) {
    min-height: 50px;
    box-sizing: border-box;
}
.phone :deep(.pick .button) {
    line-height: 40px;
}
.phone :deep(.el-input__inner) {
    font-size: 16px;
}
button:disabled {
    opacity: 0.6;
}
.done > li {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: center;
    border-bottom: 1px solid var(--hair);
    padding: 6px 0;
}
.done .note {
    grid-column: 1;
    font-size: 14px;
}
.done .link {
    grid-column: 2;
    grid-row: 1 / span 2;
}
</style>
