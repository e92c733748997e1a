<script setup lang="ts">
import { computed } from 'vue'
import CoreGlyph from '@/shared/components/CoreGlyph.vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSamples, type Sample } from '@/shared/composables/useSamples'
import { useSite } from '@/shared/composables/useSite'
import { count, day } from '@/shared/format'
import PortionWay from './PortionWay.vue'
import SampleLink from './SampleLink.vue'

const { site } = useSite()
const { samples, methods, pending } = useSamples()
const read = (sample: Sample, kind: string): boolean =>
    sample.readings.some(
        (reading) => !reading.corrected && methods.value.find((method) => method.id === reading.method_id)?.portion === kind,
    )
const open = computed(() => samples.value.filter((sample) => !read(sample, 'lab')).length)
const lede = computed(() =>
    samples.value.length === 0
        ? 'No composite yet. Pull a plan first.'
        : `${count(samples.value.length, 'composite')}, each split for the lab and the bench. ${open.value ? `${count(open.value, 'lab portion')} not reported yet.` : 'Every lab portion has been reported.'}`,
)
</script>

<template>
    <template v-if="site && !pending">
        <PageHead :over="site.name" title="Send" :lede="lede" />
        <table v-if="samples.length" class="plain ledger">
            <thead>
                <tr>
                    <th class="glyph"><span class="sr">Core</span></th>
                    <th>Composite</th>
                    <th>Area</th>
                    <th>Pulled</th>
                    <th class="num">Cores</th>
                    <th>Lab portion</th>
                    <th></th>
                    <th>Bench portion</th>
                    <th></th>
                    <th></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="sample in samples" :key="sample.id">
                    <td class="glyph"><CoreGlyph :depth="sample.depth" :scale="0.4" :width="8" /></td>
                    <td><SampleLink :id="sample.id" :code="sample.code" /></td>
                    <td>{{ sample.area.name }}</td>
                    <td>{{ day(sample.pulled_on) }}</td>
                    <td class="num">{{ sample.cores_pulled }} of {{ sample.cores_planned }}</td>
                    <template v-for="kind in ['lab', 'bench'] as const" :key="kind">
                        <td class="narrow">{{ sample.portions.find((portion) => portion.kind === kind)?.code }}</td>
                        <td>
                            <PortionWay
                                v-if="sample.portions.find((portion) => portion.kind === kind)"
                                :portion="sample.portions.find((portion) => portion.kind === kind)!"
                                :done="read(sample, kind)"
                            />
                        </td>
                    </template>
                    <td><RouterLink :to="`/samples/${sample.id}/labels`">Labels</RouterLink></td>
                </tr>
            </tbody>
        </table>
        <p v-else><RouterLink to="/pull">To the plans that wait</RouterLink></p>
        <p class="note">
            Air-dried soil keeps for routine tests. Label the bag itself, not only inside it. Soil across a quarantine border needs a
            permit: ask first.
        </p>
    </template>
</template>

<style scoped>
.ledger td {
    vertical-align: middle;
    padding-top: 3px;
    padding-bottom: 3px;
}
.glyph {
    width: 26px;
}
.note {
    margin-top: 12px;
}
</style>
