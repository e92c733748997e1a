<script setup lang="ts">
import StripPatterns from '@/shared/components/StripPatterns.vue'
import { computed, ref, watch } from 'vue'
import type { Schema } from '@/api/client'
import { SampleLink } from '@/features/send'
import PageTurner from '@/shared/components/PageTurner.vue'
import { number, signed } from '@/shared/format'
import { usePairs } from '../api'
import SameSideStrip from './SameSideStrip.vue'
import SideGlyph from './SideGlyph.vue'

const props = defineProps<{
    evidence: Schema<'Evidence'>
    nouns: { test: string; reference: string }
    against: Record<string, string | number>
}>()
const SHOWN = 10
const WIDTH = 280
const all = ref(false)
const page = ref(1)
const pairs = usePairs(
    () => props.evidence,
    () => props.against,
    false,
    page,
)
watch(
    () => [props.evidence.method.id, props.against],
    () => ((page.value = 1), (all.value = false)),
)
const rows = computed(() => (all.value ? pairs.value.rows : pairs.value.rows.slice(0, SHOWN)))
const hidden = computed(() => pairs.value.total - rows.value.length)
const isPh = computed(() => props.evidence.method.analyte.endsWith('ph'))
const unit = computed(() => (isPh.value ? 'pH' : props.evidence.method.analyte))
const digits = computed(() => (isPh.value ? 2 : 0))
const scale = computed(() => {
    const { shown_from: low, shown_to: high } = props.evidence.ranges
    if (low === null || high === null) return { from: 4, to: 8, step: 1 }
    if (isPh.value) return { from: Math.min(4, Math.floor(low)), to: Math.max(8, Math.ceil(high)), step: 1 }
    const step = [0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000].find((one) => (high - low) / one <= 6) ?? 5000
    return { from: Math.floor(low / step) * step, to: Math.ceil(high / step) * step, step }
})
const marks = computed(() =>
    Array.from(
        { length: Math.round((scale.value.to - scale.value.from) / scale.value.step) + 1 },
        (_, i) => scale.value.from + i * scale.value.step,
    ),
)
const kit = computed(() => props.evidence.model?.bands ?? null)
const actions = computed(() => props.evidence.policy.terms.actions)
</script>

<template>
    <section>
        <StripPatterns />
        <div class="title">
            <h2>Same side of the limit?</h2>
            <p class="key">
                <template v-if="evidence.method.bands">
                    <svg width="22" height="14">
                        <rect x="1" y="1" width="20" height="12" fill="url(#kit-hatch)" stroke="var(--umber)" />
                    </svg>
                    {{ nouns.test.toLowerCase() }}, by band
                </template>
                <template v-else>
                    <svg width="12" height="14"><circle cx="6" cy="7" r="4" fill="var(--ink)" /></svg>
                    {{ nouns.test.toLowerCase() }}
                </template>
                <svg width="12" height="16">
                    <rect x="2" width="8" height="16" opacity=".2" />
                    <path d="M6 0V16" stroke="var(--ink)" stroke-width="2.6" />
                </svg>
                {{ nouns.reference.toLowerCase()
                }}{{ evidence.reference.uncertainty ? `, ± ${number(evidence.reference.uncertainty, 2)}` : '' }}
                <svg width="6" height="16"><path d="M3 0V16" stroke="var(--ink)" stroke-width="2" /></svg>
                action limit for that crop
            </p>
        </div>
        <table class="plain strips">
            <thead>
                <tr>
                    <th>Composite</th>
                    <th class="num">
                        {{ isPh ? 'Lime' : 'First' }}
                        <br />
                        {{ isPh ? 'below' : 'limit' }}
                    </th>
                    <th class="scale" :style="{ width: `${WIDTH}px` }">
                        <b>{{ actions[0] }}</b><b>{{ actions.length > 2 ? actions[1] : '' }}</b
                        ><b>{{ actions.at(-1) }}</b>
                        <span
                            v-for="mark in marks"
                            :key="mark"
                            :style="{ left: `${((mark - scale.from) / (scale.to - scale.from)) * WIDTH}px` }"
                        >
                            {{ mark }}
                        </span>
                    </th>
                    <th class="num">
                        {{ nouns.reference }},
                        <br />
                        {{ unit }}
                    </th>
                    <th class="num">
                        {{ nouns.test }},
                        <br />
                        {{ unit }}
                    </th>
                    <th class="num">
                        Differ-
                        <br />
                        ence
                    </th>
                    <th>Action</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="pair in rows" :key="pair.code" :class="{ differs: !pair.same }">
                    <td class="narrow">
                        <strong v-if="pair.from_records">{{ pair.code }}</strong>
                        <SampleLink v-else :id="pair.sample_id" :code="pair.code" />
                        {{ pair.area }}
                        <span v-if="pair.deviations.length" class="odd">{{ pair.deviations.join('; ') }}</span>
                    </td>
                    <td class="num">{{ number(pair.limits[0], isPh ? 1 : 0) }}</td>
                    <td class="strip">
                        <SameSideStrip
                            :pair="pair"
                            :from="scale.from"
                            :to="scale.to"
                            :step="scale.step"
                            :uncertainty="evidence.reference.uncertainty"
                            :width="WIDTH"
                        />
                    </td>
                    <td class="num">{{ number(pair.reference, digits) }}</td>
                    <td class="num">{{ pair.band?.name ?? number(pair.test, digits) }}</td>
                    <td class="num">
                        <span :class="{ wrong: !pair.same }">{{ signed(pair.difference, digits) }}</span>
                    </td>
                    <td class="narrow">
                        <span class="act">
                            <SideGlyph :same="pair.same" :below="pair.reference_action === actions[0]" />
                            <template v-if="pair.same">both {{ pair.reference_action }}</template>
                            <strong v-else
                                >{{ nouns.test.toLowerCase() }} {{ pair.test_action ?? 'cannot sort' }},
                                {{ nouns.reference.toLowerCase() }} {{ pair.reference_action }}</strong
                            >
                        </span>
                        <span v-if="pair.band?.may.length" class="odd"
                            >or {{ pair.band.may.join(' or ') }}, by the card</span
                        >
                    </td>
                </tr>
            </tbody>
        </table>
        <PageTurner
            v-if="all"
            :of="pairs"
            label="Pages of the pairs"
            noun="pairs"
            :words="['Before', 'Further']"
            @turn="(to) => (page = to)"
        />
        <p class="note foot">
            <span v-if="pairs.total">
                {{ rows.length }} of {{ pairs.total }} shown, worst first.
                <button v-if="hidden > 0 && !all" type="button" class="link" @click="all = true">
                    Show {{ pairs.pages > 1 ? 'more' : `${hidden} more` }}
                </button>
                <button v-else-if="all" type="button" class="link" @click="((all = false), (page = 1))">
                    Show the first {{ SHOWN }}
                </button>
            </span>
            <span v-if="kit">
                By the likelihood of its bands it reads {{ signed(kit.bias) }} ({{ signed(kit.bias_interval[0]!) }} to
                {{ signed(kit.bias_interval[1]!) }}) off, with a spread of
                {{
                    kit.below_the_bands
                        ? `at most ${number(kit.sd_interval[1]!, 2)}, less than its bands show`
                        : `${number(kit.sd, 2)} (${number(kit.sd_interval[0]!, 2)} to ${number(kit.sd_interval[1]!, 2)})`
                }}.
            </span>
            <span v-if="evidence.cut">
                A limit cuts the band in {{ evidence.cut }} of {{ pairs.total }}: the card cannot split those; each
                counts by its middle.
            </span>
        </p>
    </section>
</template>

<style scoped>
.odd {
    display: block;
    font-size: 11px;
    line-height: 1.1;
    color: var(--amber);
}
.title {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 12px;
    flex-wrap: wrap;
}
.key {
    color: var(--ink-2);
    font-size: 12px;
    margin: 0;
    display: flex;
    gap: 6px;
    align-items: center;
}
.key svg + svg,
.key svg:not(:first-child) {
    margin-left: 10px;
}
.strips td {
    padding: 0 8px 0 0;
    height: 35px;
    vertical-align: middle;
}
.strips td.strip {
    padding: 0 8px 0 0;
    line-height: 0;
}
th.scale {
    position: relative;
    padding-right: 8px;
}
th.scale b {
    display: inline-block;
    width: 33%;
    padding-bottom: 16px;
    color: var(--ink);
    font-weight: 600;
    text-align: center;
}
th.scale b:first-child {
    text-align: left;
}
th.scale b:nth-child(3) {
    text-align: right;
}
th.scale span {
    position: absolute;
    bottom: 3px;
    transform: translateX(-50%);
    font-size: 11.5px;
}
.act {
    display: flex;
    gap: 6px;
    align-items: center;
}
.differs strong,
.wrong {
    color: var(--oxide);
    font-weight: 600;
}
.foot {
    display: flex;
    justify-content: space-between;
    gap: 20px;
    margin-top: 6px;
}
</style>
