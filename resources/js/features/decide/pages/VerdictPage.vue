<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import PageHead from '@/shared/components/PageHead.vue'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, day, number, percent } from '@/shared/format'
import { useVerdict } from '../api'

/** One signed verdict on one page, for a file or an auditor: the claim, where it holds, what it rests on, under which policy. */
const route = useRoute()
const { timezone } = useSite()
const id = computed(() => Number(route.params.verdict))
const { data: verdict, error } = useVerdict(id)
const print = (): void => window.print()
const damaged = computed(
    () => verdict.value !== undefined && (!verdict.value.check.row_holds || verdict.value.check.pairs_hold === false),
)
const pairs = computed(() =>
    [...(verdict.value?.snapshot ?? [])].sort(
        (a, b) => Number(a.left_out) - Number(b.left_out) || a.reference - b.reference,
    ),
)
const read = (pair: (typeof pairs.value)[number]): string =>
    pair.bands.length
        ? pair.bands.map(({ name }) => name).join(', ')
        : pair.readings.map((one) => number(one, 2)).join(', ')
</script>

<template>
    <p v-if="error" class="wrong">{{ error.message }}</p>
    <template v-if="verdict">
        <PageHead
            :over="`Verdict ${verdict.id}, signed by ${verdict.signed_by} on ${day(verdict.signed_at, timezone)}`"
            :title="`${verdict.method}: ${verdict.claim} ${verdict.verdict}`"
            :lede="
                damaged
                    ? 'It is not as it was signed, and nothing may be built on it.'
                    : verdict.ended.length
                      ? `It speaks no more: ${verdict.ended.join('; ')}.`
                      : verdict.verdict === 'stands'
                        ? 'It may be used, within its scope.'
                        : 'Nothing may be built on it: what it says is that the claim is not proven.'
            "
        >
            <a :href="`/api/verdicts/${verdict.id}`" download>As JSON</a>
            <RouterLink :to="`/evidence/${verdict.method_id}`">The evidence now</RouterLink>
            <el-button @click="print">Print</el-button>
        </PageHead>
        <p v-if="damaged" class="damaged" role="alert">
            {{
                verdict.check.row_holds
                    ? 'The pairs kept with this verdict do not give the hash it was signed by: they were changed since.'
                    : 'This verdict does not say what it said when it was signed: its row, or its link in the record, was changed since.'
            }}
            Have the record verified, and compare it with a head that was kept.
        </p>
        <p v-else-if="verdict.check.moved && !verdict.ended.length" class="warning">
            <span
                >The evidence has moved since it was signed.
                <RouterLink :to="`/evidence/${verdict.method_id}`">See what it says now.</RouterLink></span
            >
        </p>
        <div class="columns two">
            <section>
                <p class="stone">
                    <VerdictStone :verdict="verdict.verdict" :size="36" quiet />
                    <span>{{ verdict.evidence.claim.reasons[0] }}</span>
                </p>
                <table class="plain facts">
                    <tbody>
                        <tr>
                            <td>Where it holds</td>
                            <td>{{ verdict.scope.text }}</td>
                        </tr>
                        <tr v-if="verdict.scope.lots && verdict.scope.seasons">
                            <td>Lots and seasons</td>
                            <td>
                                {{ verdict.scope.lots.map((lot) => lot || 'no lot named').join(', ') || 'no lot' }};
                                {{ verdict.scope.seasons.join(', ') || 'no season' }}
                                <strong v-if="verdict.silent_on">It was not asked for {{ verdict.silent_on }}.</strong>
                            </td>
                        </tr>
                        <tr>
                            <td>Against</td>
                            <td>{{ verdict.reference }}</td>
                        </tr>
                        <tr>
                            <td>Evidence</td>
                            <td>
                                {{ count(verdict.evidence.pairs, 'pair') }}, {{ verdict.evidence.left_out }} left out;
                                with them in:
                                {{ verdict.evidence.with_all }}
                            </td>
                        </tr>
                        <tr>
                            <td>Ends with</td>
                            <td>
                                {{
                                    verdict.scope.lots
                                        ? 'a newer verdict, or another lab method; for another lot or season it was never asked'
                                        : `a new lot, another lab method, or the first composite after ${verdict.season ?? 'its season'}`
                                }}
                            </td>
                        </tr>
                        <tr v-if="verdict.note">
                            <td>Note</td>
                            <td>{{ verdict.note }}</td>
                        </tr>
                        <tr>
                            <td>Evidence as signed</td>
                            <td class="hash">{{ verdict.hash }}</td>
                        </tr>
                        <tr>
                            <td>Checked now</td>
                            <td>
                                {{ verdict.check.row_holds ? 'says what was signed' : 'changed since it was signed' }};
                                {{
                                    verdict.check.pairs_hold === null
                                        ? 'its pairs were not kept'
                                        : verdict.check.pairs_hold
                                          ? 'its pairs give this hash'
                                          : 'its pairs do not give this hash'
                                }}; head of the record {{ verdict.check.head }}
                            </td>
                        </tr>
                    </tbody>
                </table>
                <h2>Policy {{ verdict.policy.version }}, set {{ day(verdict.policy.set_at, timezone) }}</h2>
                <p>
                    Right action in {{ percent(verdict.policy.required) }}, at
                    {{ percent(verdict.policy.confidence) }} confidence, looking {{ verdict.policy.looking }},
                    {{ verdict.policy.blind ? 'blind readings alone' : 'readings blind or not' }}; a rate allows
                    {{ number(verdict.policy.allowable, 2) }}, a change of {{ number(verdict.policy.change, 2) }} must
                    be seen. {{ verdict.policy.reason }}
                    <span class="note">
                        {{
                            verdict.policy.pairs_then === 0
                                ? 'It was set before any pair was there.'
                                : verdict.policy.pairs_then === null
                                  ? ''
                                  : `When it was set, ${count(verdict.policy.pairs_then, 'pair was', 'pairs were')} there already.`
                        }}
                    </span>
                </p>
                <h2>History</h2>
                <table class="plain">
                    <tbody>
                        <tr v-for="one in verdict.history" :key="one.id">
                            <td>
                                <RouterLink :to="`/decide/verdicts/${one.id}`">{{ one.verdict }}</RouterLink>
                            </td>
                            <td>{{ one.signed_by }}, {{ day(one.signed_at, timezone) }}</td>
                            <td class="num">{{ count(one.pairs, 'pair') }}</td>
                        </tr>
                    </tbody>
                </table>
            </section>
            <section>
                <h2>The pairs it rests on</h2>
                <table v-if="pairs.length" class="plain">
                    <thead>
                        <tr>
                            <th>Composite</th>
                            <th class="num">Limits</th>
                            <th class="num">Reference</th>
                            <th>Test</th>
                            <th><span class="sr">Counts</span></th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="pair in pairs" :key="pair.code">
                            <td>{{ pair.code }}</td>
                            <td class="num">{{ pair.limits.join(', ') }}</td>
                            <td class="num">{{ number(pair.reference, 2) }}</td>
                            <td>{{ read(pair) }}</td>
                            <td class="note">{{ pair.left_out ? 'left out' : '' }}</td>
                        </tr>
                    </tbody>
                </table>
                <p v-else class="note">
                    This verdict was signed before its pairs were kept with it; its evidence is named by its hash alone.
                </p>
            </section>
        </div>
    </template>
</template>

<style scoped>
.damaged {
    border-left: 3px solid var(--oxide);
    background: var(--el-color-danger-light-9);
    padding: 10px 12px;
    font-weight: 600;
}
.two {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}
.stone {
    display: flex;
    gap: 12px;
    align-items: center;
    font: 16px/1.3 var(--serif);
}
.facts td:first-child {
    width: 130px;
    color: var(--ink-2);
}
.hash {
    font-size: 11px;
    overflow-wrap: anywhere;
}
h2 {
    margin-top: 14px;
}
</style>
