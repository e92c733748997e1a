<script setup lang="ts">
import type { Schema } from '@/api/client'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { day, number } from '@/shared/format'

/** The verdicts on one claim of one test, the one that stands first; none is ever changed. */
defineProps<{
    verdicts: Schema<'Verdict'>[]
    timezone: string
    open: number | null
    today: Map<number, string | null>
}>()
const range = (from: number | null, to: number | null, decimals: number) =>
    from === null ? 'none' : `${number(from, decimals)} to ${number(to, decimals)}`
</script>

<template>
    <ol>
        <li
            v-for="verdict in verdicts"
            :id="`verdict-${verdict.id}`"
            :key="verdict.id"
            :class="{ past: verdict.followed_by !== null }"
        >
            <details :open="verdict.id === open || verdict.followed_by === null">
                <summary>
                    <VerdictStone :verdict="verdict.verdict" />
                    <span>{{ day(verdict.signed_at, timezone) }}, {{ verdict.signed_by }}</span>
                    <span v-if="verdict.followed_by !== null" class="note">followed by a newer one</span>
                </summary>
                <table class="plain">
                    <tbody>
                        <tr>
                            <td>Where it holds</td>
                            <td>{{ verdict.scope.text }}</td>
                        </tr>
                        <tr>
                            <td>Readings it rests on</td>
                            <td>
                                test {{ range(verdict.scope.test_from, verdict.scope.test_to, 2) }}, lab
                                {{ range(verdict.scope.reference_from, verdict.scope.reference_to, 2) }}
                            </td>
                        </tr>
                        <tr>
                            <td>Policy</td>
                            <td>version {{ verdict.policy_version }}</td>
                        </tr>
                        <tr>
                            <td>Evidence</td>
                            <td>
                                {{ verdict.evidence.pairs }} pairs, {{ verdict.evidence.left_out }} left out; with them
                                in: {{ verdict.evidence.with_all }}. {{ verdict.evidence.claim.reasons[0] }}
                            </td>
                        </tr>
                        <tr v-if="today.get(verdict.id) && today.get(verdict.id) !== verdict.verdict">
                            <td>By today’s rules</td>
                            <td>
                                its pairs would be judged {{ today.get(verdict.id) }} under the same policy. It keeps
                                what it was signed as.
                            </td>
                        </tr>
                        <tr v-if="verdict.note">
                            <td>Note</td>
                            <td>{{ verdict.note }}</td>
                        </tr>
                    </tbody>
                </table>
            </details>
        </li>
    </ol>
</template>

<style scoped>
ol {
    list-style: none;
    margin: 4px 0 16px;
    padding: 0;
    border-left: 1.5px solid var(--umber);
}
li {
    padding: 2px 0 2px 14px;
    position: relative;
}
li::before {
    content: '';
    position: absolute;
    left: -5px;
    top: 11px;
    width: 9px;
    height: 9px;
    border-radius: 50%;
    background: var(--umber);
}
.past::before {
    background: var(--paper);
    border: 1.5px solid var(--umber);
}
summary {
    display: flex;
    gap: 12px;
    align-items: center;
    cursor: pointer;
    padding: 3px 0;
}
td:first-child {
    width: 150px;
    color: var(--ink-2);
}
</style>
