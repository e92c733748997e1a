<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { type Schema } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import PageTurner from '@/shared/components/PageTurner.vue'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { count, day, number, percent } from '@/shared/format'
import PolicyForm from '../components/PolicyForm.vue'
import VerdictChain from '../components/VerdictChain.vue'
import { useChoices, useEvidenceLines } from '@/shared/api'
import { useLuck, usePolicies, useTodaysRules, useVerdicts } from '../api'

const CLAIMS = ['sort', 'rate', 'track'] as const
const route = useRoute()
const { me } = useSession()
const { timezone } = useSite()
const testsPage = ref(1)
const lines = useEvidenceLines(() => ({ page: testsPage.value }))
const page = ref(1)
const verdicts = useVerdicts(page)
const policies = usePolicies()
const choices = useChoices()
const { data: luck } = useLuck()
const { data: rules } = useTodaysRules(page)
const today = computed(() => new Map((rules.value ?? []).map(({ verdict_id: id, would }) => [id, would])))
const otherwise = computed(() => (rules.value ?? []).filter(({ was, would }) => would !== null && would !== was))
const analytes = computed(() => [...new Set((policies.data.value ?? []).map((policy) => policy.analyte))])
const analyte = ref('ph')
const versions = computed(() => (policies.data.value ?? []).filter((policy) => policy.analyte === analyte.value))
const current = computed(() => versions.value[0])
const called = (code: string): string => (code === 'ph' ? 'pH' : code.replace('_', ' '))
const changing = ref(false)
const chains = computed(() => {
    const groups = new Map<string, Schema<'Verdict'>[]>()
    for (const verdict of verdicts.data.value?.rows ?? []) {
        const key = `${verdict.method}, ${verdict.claim}`
        groups.set(key, [...(groups.get(key) ?? []), verdict])
    }
    return [...groups].map(([title, chain]) => ({ title, chain }))
})
const moved = computed(() => lines.data.value?.moved ?? 0)
const ended = computed(() => lines.data.value?.ended ?? 0)
const lede = computed(() =>
    ended.value
        ? `${count(ended.value, 'signed verdict speaks', 'signed verdicts speak')} no more.`
        : moved.value
          ? `${count(moved.value, 'signed verdict has', 'signed verdicts have')} new evidence since.`
          : 'Every signed verdict rests on the evidence there is.',
)
</script>

<template>
    <template v-if="lines.data.value && verdicts.data.value && current">
        <PageHead
            over="What each test may be used for"
            title="Decide"
            :lede="verdicts.data.value.total ? lede : 'No verdict has been signed yet.'"
        >
            <RouterLink to="/decide/strategies">What to buy next season</RouterLink>
            <a href="/api/verdicts.json">The register as JSON</a>
        </PageHead>
        <div class="columns two">
            <section>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Test</th>
                            <th class="num">Pairs</th>
                            <th v-for="claim in CLAIMS" :key="claim">
                                {{ claim[0]!.toUpperCase() + claim.slice(1) }}, now and as signed
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="line in lines.data.value.rows" :key="line.method_id">
                            <td>
                                <RouterLink :to="`/evidence/${line.method_id}`">{{ line.name }}</RouterLink>
                            </td>
                            <td class="num">{{ line.untested ? '–' : line.pairs }}</td>
                            <td v-for="claim in CLAIMS" :key="claim">
                                <VerdictStone :verdict="line.claims[claim].computed" />
                                <span class="note block">
                                    <RouterLink
                                        v-if="line.claims[claim].verdict_id"
                                        :to="`/decide/verdicts/${line.claims[claim].verdict_id}`"
                                        >signed {{ line.claims[claim].signed }}</RouterLink
                                    ><template v-else>not signed</template
                                    >{{ line.claims[claim].moved ? ', evidence has moved' : ''
                                    }}{{
                                        line.claims[claim].ended.length
                                            ? `, speaks no more: ${line.claims[claim].ended.join('; ')}`
                                            : line.claims[claim].silent_on
                                              ? `, not asked for ${line.claims[claim].silent_on}`
                                              : ''
                                    }}
                                </span>
                            </td>
                        </tr>
                    </tbody>
                </table>
                <PageTurner
                    :of="lines.data.value"
                    label="Pages of tests"
                    noun="tests"
                    :words="['Before', 'Further']"
                    @turn="(to) => (testsPage = to)"
                />
                <p v-if="luck && luck.judged > 1" class="note">
                    {{ count(luck.judged, 'claim is', 'claims are') }} judged here. Were none of them true,
                    {{ number(luck.by_luck, 1) }} would be expected to stand by luck, and the chance of one at all is
                    {{ percent(luck.any_by_luck) }}.
                </p>
                <p v-if="otherwise.length" class="note">
                    By today’s rules {{ number(otherwise.length, 0) }} of the verdicts below would be another; each
                    keeps what it was signed as, and says what it would be.
                </p>
                <p v-else-if="rules?.length" class="note">
                    Today’s rules say the same of every verdict below whose pairs were kept.
                </p>
                <p class="note">A verdict is signed on the page of its evidence, by a reviewer.</p>
                <template v-for="{ title, chain } in chains" :key="title">
                    <h2>{{ title }}</h2>
                    <VerdictChain
                        :verdicts="chain"
                        :timezone="timezone"
                        :open="Number(route.query.verdict) || null"
                        :today="today"
                    />
                </template>
                <PageTurner
                    :of="verdicts.data.value"
                    label="Pages of the register"
                    noun="verdicts"
                    @turn="(to) => (page = to)"
                />
            </section>
            <aside>
                <nav class="analytes" aria-label="Policy of">
                    <button
                        v-for="one in analytes"
                        :key="one"
                        type="button"
                        class="link"
                        :aria-current="one === analyte ? 'true' : undefined"
                        @click="analyte = one"
                    >
                        {{ called(one) }}
                    </button>
                </nav>
                <h2>Policy for {{ called(analyte) }}, version {{ current.version }}</h2>
                <p class="note">
                    {{
                        current.pairs_then === 0
                            ? 'Set before any pair was there.'
                            : current.pairs_then === null
                              ? 'Set before the evidence is looked at.'
                              : `Set when ${count(current.pairs_then, 'pair was', 'pairs were')} there already.`
                    }}
                    {{ current.reason }} {{ current.author }}, {{ day(current.made_at, timezone) }}.
                </p>
                <table class="plain">
                    <tbody>
                        <tr>
                            <td>Right action needed</td>
                            <td class="num">{{ percent(current.terms.required) }}</td>
                        </tr>
                        <tr>
                            <td>Confidence of every bound</td>
                            <td class="num">{{ percent(current.terms.confidence) }}</td>
                        </tr>
                        <tr>
                            <td>Difference that still sizes a rate</td>
                            <td class="num">± {{ number(current.terms.allowable, 2) }}</td>
                        </tr>
                        <tr>
                            <td>Change that tracking must see</td>
                            <td class="num">{{ number(current.terms.change, 2) }}</td>
                        </tr>
                        <tr>
                            <td>Evidence is looked at</td>
                            <td class="num">{{ current.terms.looking === 'often' ? 'after every pair' : 'once' }}</td>
                        </tr>
                        <tr>
                            <td>Readings made after the lab’s value was known</td>
                            <td class="num">{{ current.terms.blind ? 'left out' : 'count too' }}</td>
                        </tr>
                        <tr>
                            <td>Pairs from old records</td>
                            <td class="num">{{ current.terms.records ? 'count too' : 'stand apart' }}</td>
                        </tr>
                        <tr>
                            <td>A false verdict is held off</td>
                            <td class="num">
                                {{ current.terms.together ? 'over all claims together' : 'claim by claim' }}
                            </td>
                        </tr>
                        <tr v-if="!Object.keys(current.terms.crops).length">
                            <td>Action limits</td>
                            <td class="num">{{ current.terms.thresholds.join(', ') }}</td>
                        </tr>
                    </tbody>
                </table>
                <table v-if="Object.keys(current.terms.crops).length" class="plain limits">
                    <thead>
                        <tr>
                            <th>Use</th>
                            <th class="num">Lime below</th>
                            <th class="num">Too high from</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="(limits, use) in current.terms.crops" :key="use">
                            <td>{{ choices.data.value?.uses.find((one) => one.code === String(use))?.name ?? use }}</td>
                            <td class="num">{{ number(limits[0], 1) }}</td>
                            <td class="num">{{ number(limits[1], 1) }}</td>
                        </tr>
                    </tbody>
                </table>
                <el-button v-if="me?.may_sign" @click="changing = true">Set a new version</el-button>
                <template v-if="versions.length > 1">
                    <h3>Earlier versions</h3>
                    <p v-for="policy in versions.slice(1)" :key="policy.id" class="note">
                        Version {{ policy.version }}, {{ day(policy.made_at, timezone) }}, {{ policy.author }}:
                        {{ policy.reason }}
                    </p>
                </template>
            </aside>
        </div>
        <PolicyForm v-if="changing" :policy="current" :uses="choices.data.value?.uses ?? []" @done="changing = false" />
    </template>
</template>

<style scoped>
.analytes {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
    margin-bottom: 8px;
}
.analytes [aria-current] {
    font-weight: 600;
    color: var(--ink);
}
.two {
    grid-template-columns: minmax(0, 1fr) 310px;
}
.block {
    display: block;
}
section h2 {
    margin-top: 18px;
}
.limits {
    margin: 12px 0;
}
h3 {
    margin: 14px 0 4px;
}
</style>
