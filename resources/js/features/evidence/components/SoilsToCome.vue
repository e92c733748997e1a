<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number, percent, signed } from '@/shared/format'

/** Agreement by distance from the limit, and what the measured bias and spread say of soils to come. */
const props = defineProps<{ evidence: Schema<'Evidence'> }>()
const model = computed(() => props.evidence.model)
const policy = computed(() => props.evidence.policy.terms)
const ratio = computed(() => policy.value.scale === 'ratio')
const end = (value: number): string => (ratio.value ? `× ${number(value, 2)}` : number(value, 2))
const off = (value: number): string => (ratio.value ? `× ${number(Math.exp(value), 2)}` : signed(value))
const spread = (value: number): string => (ratio.value ? `× ${number(Math.exp(value), 2)}` : number(value, 2))
const range = ([from, to]: number[], shown: (value: number) => string): string => `${shown(from!)} to ${shown(to!)}`
</script>

<template>
    <div class="columns two">
        <section>
            <h2>By distance from the limit</h2>
            <p class="note">Far from a limit every test agrees; what proves it lies near one.</p>
            <table class="plain">
                <thead>
                    <tr>
                        <th>The lab lies</th>
                        <th class="num">Same action</th>
                        <th class="num">At least</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in evidence.by_distance" :key="one.from">
                        <td>
                            {{
                                one.to === null
                                    ? `${end(one.from)} and further off`
                                    : `${end(one.from)} to ${end(one.to)} from it`
                            }}
                        </td>
                        <td class="num">{{ one.n ? `${one.agree} of ${one.n}` : 'no pair' }}</td>
                        <td class="num">{{ one.lower === null ? '' : percent(one.lower) }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
        <section v-if="model">
            <h2>Soils to come: a model, not a proof</h2>
            <p class="words">
                About {{ percent(model.right) }} of soils like these would be sent to the right action,
                {{ range(model.right_interval, percent)
                }}{{
                    model.within === null || model.within_interval === null
                        ? ''
                        : `; ${percent(model.within)} of differences, ${range(model.within_interval, percent)}, would still size a rate`
                }}.
            </p>
            <p class="note">
                It takes errors to be normal and soils to be like those of the pairs. It helps to plan and never
                decides.
            </p>
            <table class="plain">
                <thead>
                    <tr>
                        <th>Where the lab says</th>
                        <th class="num">Pairs</th>
                        <th class="num">Bias</th>
                        <th class="num">Spread</th>
                        <th class="num">Sent right</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in model.classes" :key="one.class">
                        <td>{{ policy.actions[one.class] }}</td>
                        <td class="num">{{ one.n }}</td>
                        <td class="num">{{ off(one.bias) }}</td>
                        <td class="num">{{ spread(one.sd) }}</td>
                        <td class="num">{{ percent(one.right) }} ({{ range(one.interval, percent) }})</td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.two {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.3fr);
    border-top: 1px solid var(--rule);
    margin-top: 18px;
    padding-top: 12px;
}
.words {
    font: 16px/1.3 var(--serif);
}
</style>
