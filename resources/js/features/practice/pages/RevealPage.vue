<script setup lang="ts">
import { computed } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { count, depth, number, percent, signed } from '@/shared/format'
import { shownIn, unitOf } from '@/shared/measures'
import GroundMap from '../components/GroundMap.vue'
import { useReveal } from '../api'
import { BETTER, CLAIMS } from '../words'

/** What the ground was, beside what was believed; what the choices cost; whether the verdicts were right. */
const { me } = useSession()
const { units } = useSite()
const { data, error } = useReveal()
const OUTCOMES = { right: 'right', wrong: 'wrong', open: 'left open' }
const worst = computed(() =>
    [...(data.value?.areas ?? [])]
        .filter(({ believed, true: is }) => believed !== null && is !== null)
        .sort((a, b) => Math.abs(b.believed! - b.true!) - Math.abs(a.believed! - a.true!))
        .at(0),
)
const lede = computed(() => {
    const it = data.value
    if (!it) return ''
    const far = worst.value
        ? `${worst.value.name} was believed to have pH ${number(worst.value.believed, 2)} and has ` +
          `${number(worst.value.true, 2)} on average, from ${number(worst.value.low, 1)} to ${number(worst.value.high, 1)} ` +
          'but for a tenth at either end. '
        : 'Nothing was measured of this ground. '
    return it.composites.length
        ? `${far}The season cost ${number(it.cost.total)}; a careful one costs ${number(it.careful.total)} on average here.`
        : far
})
const load = computed(() => unitOf('load', units.value))
const ROWS = [
    ['fees', 'Fees of the lab'],
    ['work', 'Work'],
    ['lime', 'Lime where none was needed'],
    ['yield', 'Yield lost where it lacked'],
    ['total', 'In all'],
] as const
</script>

<template>
    <PageHead over="Practice" title="What the ground was" :lede="lede" />
    <p v-if="error" class="warning" role="alert">{{ error.message }}</p>
    <template v-if="data">
        <section v-if="data.lesson" class="lesson">
            <h2>{{ data.lesson.title }}</h2>
            <p>
                <strong>{{ data.lesson.made ? 'The mistake was made. ' : 'The mistake was not made. ' }}</strong>
                {{ data.lesson.mistake }}
            </p>
            <p><strong>What the tool says.</strong> {{ data.lesson.tool }}</p>
        </section>
        <div class="maps">
            <GroundMap :reveal="data" />
            <GroundMap :reveal="data" believed />
        </div>
        <section v-if="data.composites.length">
            <h2>Each composite against its ground</h2>
            <p class="note">
                pH: of the whole area, of full cores at the planned places, of what came up, and as it was read.
            </p>
            <div>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Composite</th>
                            <th>Area</th>
                            <th class="num">Cores</th>
                            <th class="num">Short</th>
                            <th class="num">Area</th>
                            <th class="num">Planned places</th>
                            <th class="num">In the bucket</th>
                            <th class="num">Lab</th>
                            <th class="num">Kit</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="one in data.composites" :key="one.code">
                            <td>{{ one.code }}, {{ depth(one.depth) }}</td>
                            <td>{{ one.area }}</td>
                            <td class="num">{{ one.cores }}</td>
                            <td class="num">{{ one.short }}</td>
                            <td class="num">{{ number(one.of_area, 2) }}</td>
                            <td class="num">{{ number(one.meant, 2) }}</td>
                            <td class="num">{{ number(one.holds, 2) }}</td>
                            <td class="num">{{ one.lab === null ? 'none' : number(one.lab, 2) }}</td>
                            <td class="num">{{ one.kit === null ? 'none' : number(one.kit, 2) }}</td>
                        </tr>
                    </tbody>
                </table>
            </div>
        </section>
        <section v-if="data.verdicts.length">
            <h2>Each verdict against the test</h2>
            <table class="plain">
                <thead>
                    <tr>
                        <th>Signed</th>
                        <th>In truth</th>
                        <th class="num">Off by, pH</th>
                        <th class="num">Spread, pH</th>
                        <th class="num">Same action</th>
                        <th>So it was</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="one in data.verdicts" :key="`${one.test} ${one.claim}`">
                        <td>{{ one.test }} {{ CLAIMS[one.claim] }}: {{ one.verdict }}</td>
                        <td>{{ one.holds ? 'it does' : 'it does not' }}</td>
                        <td class="num">{{ signed(one.bias, 2) }}</td>
                        <td class="num">{{ number(one.sd, 2) }}</td>
                        <td class="num">{{ percent(one.agreeing) }}</td>
                        <td>
                            <strong>{{ OUTCOMES[one.outcome] }}</strong>
                        </td>
                    </tr>
                </tbody>
            </table>
            <p class="note">By 400 more composites of such soils, with the lot that the verdict names.</p>
        </section>
        <section v-if="data.composites.length" class="columns money">
            <div>
                <h2>What it cost</h2>
                <table class="plain">
                    <thead>
                        <tr>
                            <th>In your own money</th>
                            <th class="num">Yours</th>
                            <th class="num">A careful plan</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="[key, label] in ROWS" :key="key">
                            <td>{{ label }}</td>
                            <td class="num">{{ number(data.cost[key]) }}</td>
                            <td class="num">{{ number(data.careful[key]) }}</td>
                        </tr>
                        <tr>
                            <td>Lime misplaced or lacking, {{ load }}</td>
                            <td class="num">{{ number(shownIn(data.cost.misplaced_tons, 'load', units), 1) }}</td>
                            <td class="num">{{ number(shownIn(data.careful.misplaced_tons, 'load', units), 1) }}</td>
                        </tr>
                        <tr>
                            <td>Hours to pull</td>
                            <td class="num">{{ number(data.cost.hours, 1) }}</td>
                            <td class="num">{{ number(data.careful.hours, 1) }}</td>
                        </tr>
                    </tbody>
                </table>
                <p class="note">
                    At the stakes that comparisons of schemes begin with. Yours is this one season, as chance had it;
                    the careful plan is the mean of twelve: two composites of 20 cores, apart, away from road and wall,
                    by the lab.
                </p>
            </div>
            <div>
                <h2>The choices that cost most</h2>
                <p v-if="!data.dearest.length">No choice of yours costs money here on average.</p>
                <ol v-else>
                    <li v-for="one in data.dearest" :key="one.choice">
                        {{ BETTER[one.choice] }} would save {{ number(one.money) }} a season on average.
                    </li>
                </ol>
            </div>
        </section>
        <p v-else class="note">
            No composite was pulled of this ground, so that there is no season whose cost could be told.
        </p>
        <p class="note">
            Ground number {{ data.seed }}, {{ data.level }}; {{ count(data.map.cores.length, 'core') }} by
            {{ me?.name }}.
        </p>
    </template>
</template>

<style scoped>
.lesson {
    border-left: 4px solid var(--umber);
    padding-left: 12px;
    margin-bottom: 14px;
    max-width: 860px;
}
.lesson h2 {
    margin-top: 0;
}
.maps {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
    gap: 18px;
    max-width: 1000px;
    margin-bottom: 18px;
}
.money {
    grid-template-columns: minmax(0, 1fr) minmax(0, 320px);
}
@media (max-width: 900px) {
    .money {
        display: block;
    }
}
</style>
