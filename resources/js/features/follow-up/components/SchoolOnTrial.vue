<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, toRef } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useTyped } from '@/shared/composables/useTyped'
import { count, number, signed } from '@/shared/format'
import { schoolName } from '../words'

/** One school's word against the ground: what it expected and what came, with how sure that is. */
const props = defineProps<{ school: Schema<'SchoolTrial'>; used: Schema<'LocalFactor'> | null }>()
const queries = useQueryClient()
const { me } = useSession()
const it = computed(() => props.school)
const unit = computed(() => it.value.tried[0]?.unit ?? '')
const digits = computed(() => it.value.tried[0]?.digits ?? 2)
const SIZE = 230
const PAD = 42
const all = computed(() =>
    it.value.tried.flatMap(({ expected, difference, interval }) => [
        expected ?? 0,
        difference ?? 0,
        ...(interval ?? []),
    ]),
)
const low = computed(() => Math.min(0, ...all.value))
const high = computed(() => Math.max(0.1, ...all.value))
const at = (value: number): number => PAD + ((value - low.value) / (high.value - low.value)) * (SIZE - PAD - 8)
const tickDigits = computed(() => (high.value - low.value < 10 ? 1 : 0))
const ticks = computed(() => {
    const most = high.value * 0.9
    return [...new Set([0, Number(most.toFixed(tickDigits.value))])]
})
const span = (of: readonly number[] | null, n = digits.value): string =>
    of ? `${signed(of[0], n)} to ${signed(of[1], n)}` : 'not known from so few'
const asking = ref(false)
const form = reactive({ reason: '', password: '' })
const typedHere = useTyped(
    () => 'why a local factor is used',
    () => `factor-${props.school.school}`,
    { reason: toRef(form, 'reason') },
)
asking.value = typedHere.broughtBack.value !== null
const using = useSave(
    () =>
        api.post('/local-factors', {
            school: it.value.school,
            factor: it.value.offered?.factor ?? 0,
            reason: form.reason,
            password: form.password,
        }),
    async () => {
        asking.value = false
        Object.assign(form, { reason: '', password: '' })
        typedHere.settle()
        await queries.invalidateQueries()
    },
)
const ending = useSave(
    () => api.post('/local-factors/{factor}/end', undefined, { ids: { factor: props.used?.id ?? 0 } }),
    () => queries.invalidateQueries(),
)
</script>

<template>
    <article>
        <div>
            <h2>{{ schoolName(it.school) }}</h2>
            <p class="says">
                <template v-if="it.bias === null">No program of it was answered beside a control yet.</template>
                <template v-else-if="!it.bias_interval"
                    >{{ count(it.programs, 'program') }}: one is no evidence.</template
                >
                <template v-else-if="it.bias_interval[0]! > 0"
                    >The ground did more than it expects: {{ signed(it.bias, digits) }} {{ unit }} on average.</template
                >
                <template v-else-if="it.bias_interval[1]! < 0"
                    >The ground did less than it expects: {{ signed(it.bias, digits) }} {{ unit }} on average.</template
                >
                <template v-else
                    >It cannot be told from right: {{ signed(it.bias, digits) }} {{ unit }} on average.</template
                >
            </p>
            <table v-if="it.programs" class="plain">
                <thead>
                    <tr>
                        <th>Soil</th>
                        <th class="num">Programs</th>
                        <th class="num">Bias</th>
                        <th>95&thinsp;% interval</th>
                        <th class="num">Spread</th>
                        <th>95&thinsp;% interval</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in [{ ...it, soil: 'all' }, ...it.soils]" :key="one.soil">
                        <td>{{ one.soil }}</td>
                        <td class="num">{{ one.programs }}</td>
                        <td class="num">{{ signed(one.bias, digits) }}</td>
                        <td>{{ span(one.bias_interval) }}</td>
                        <td class="num">{{ number(one.sd, digits) }}</td>
                        <td>
                            {{
                                one.sd_interval
                                    ? `${number(one.sd_interval[0], digits)} to ${number(one.sd_interval[1], digits)}`
                                    : 'not known from so few'
                            }}
                        </td>
                    </tr>
                </tbody>
            </table>
            <template v-if="used">
                <p class="warning">
                    Local factor {{ number(used.factor, 2) }} is in use: rates of this school are divided by it, and
                    every program says so. {{ used.signed_by }}: “{{ used.reason }}”
                    <button v-if="me?.may_sign" type="button" class="link" @click="ending.save()">End it</button>
                </p>
                <p v-if="ending.message.value" class="wrong" role="alert">{{ ending.message.value }}</p>
            </template>
            <template v-else-if="it.offered">
                <p>
                    <strong>A local factor is offered: {{ number(it.offered.factor, 2) }}</strong
                    >, {{ number(it.offered.interval[0], 2) }} to {{ number(it.offered.interval[1], 2) }}. Foretold each
                    from the others, the programs miss by {{ number(it.error_with_factor, digits + 1) }} {{ unit }} with
                    it, by {{ number(it.error, digits + 1) }} without. It is used only when a reviewer says so.
                </p>
                <el-button v-if="me?.may_sign && !asking" @click="asking = true">Use it from now on</el-button>
                <p v-else-if="!me?.may_sign" class="note">A reviewer can put it to use.</p>
                <form v-if="asking" novalidate class="ask" @submit.prevent="using.save()">
                    <RefusalNote
                        v-if="using.refusal.value && !Object.keys(using.refusal.value.fields).length"
                        :refusal="using.refusal.value"
                    />
                    <FormField label="Why" :wrong="using.wrong('reason')"
                        ><el-input v-model="form.reason" name="factor-reason"
                    /></FormField>
                    <FormField label="Your password" :wrong="using.wrong('password')"
                        ><el-input
                            v-model="form.password"
                            type="password"
                            name="factor-password"
                            autocomplete="current-password"
                    /></FormField>
                    <el-button type="primary" native-type="submit" :loading="using.saving.value"
                        >Put it to use</el-button
                    >
                </form>
            </template>
            <div v-else-if="it.missing.length" class="note">
                No local factor is offered yet:
                <ul>
                    <li v-for="why in it.missing" :key="why">{{ why }}</li>
                </ul>
            </div>
            <p v-if="it.left_out.length" class="note">
                Left out:
                {{ it.left_out.map((one) => `${one.area} ${one.season} (${one.why.replace(/\.$/, '')})`).join('; ') }}.
            </p>
        </div>
        <figure v-if="it.programs">
            <svg
                :viewBox="`0 0 ${SIZE} ${SIZE}`"
                role="img"
                :aria-label="`Expected against observed change of ${count(it.programs, 'program')}; the table beside says the same`"
            >
                <path class="axis" :d="`M${PAD} 4V${SIZE - PAD}H${SIZE - 4}`" />
                <path class="same" :d="`M${at(low)} ${SIZE - at(low)}L${at(high)} ${SIZE - at(high)}`" />
                <g v-for="one in it.tried" :key="`${one.program_id} ${one.key}`">
                    <path
                        v-if="one.interval"
                        class="bar"
                        :d="`M${at(one.expected ?? 0)} ${SIZE - at(one.interval[0]!)}V${SIZE - at(one.interval[1]!)}`"
                    />
                    <circle :cx="at(one.expected ?? 0)" :cy="SIZE - at(one.difference ?? 0)" r="4" />
                </g>
                <text :x="(SIZE + PAD) / 2" :y="SIZE - 4" text-anchor="middle">expected</text>
                <text :x="12" :y="SIZE / 2" :transform="`rotate(-90 12 ${SIZE / 2})`" text-anchor="middle">came</text>
                <g v-for="tick in ticks" :key="tick">
                    <text :x="at(tick)" :y="SIZE - PAD + 14" text-anchor="middle">{{ signed(tick, tickDigits) }}</text>
                    <text :x="PAD - 4" :y="SIZE - at(tick) + 4" text-anchor="end">{{ signed(tick, tickDigits) }}</text>
                </g>
            </svg>
            <figcaption class="note">On the line it came as expected; bars are 95&thinsp;% intervals.</figcaption>
        </figure>
    </article>
</template>

<style scoped>
article {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 230px;
    gap: 28px;
    border-top: 1px solid var(--rule);
    padding: 14px 0;
}
h2 {
    margin: 0 0 4px;
}
.says {
    font: 16px/1.3 var(--serif);
    font-feature-settings: 'lnum';
    margin: 0 0 8px;
}
ul {
    margin: 2px 0 6px;
    padding-left: 16px;
}
.ask {
    display: grid;
    gap: 8px;
    max-width: 380px;
}
figure {
    margin: 0;
}
.axis,
.bar {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.1;
}
.same {
    stroke: var(--line);
    stroke-dasharray: 5 4;
}
circle {
    fill: var(--ink);
}
text {
    font: 11.5px var(--sans);
    fill: var(--ink-2);
}
.warning {
    display: block;
    margin-top: 10px;
}
</style>
