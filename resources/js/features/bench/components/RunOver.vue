<script setup lang="ts">
import { computed } from 'vue'
import { type Schema } from '@/api/client'
import { count, number } from '@/shared/format'
import { money } from '@/shared/money'
import TextureTriangle from './TextureTriangle.vue'
import { useRunReadings } from '../api'

/** A run that is over: what it gave, what was left out and why, and what it really took. */
const props = defineProps<{ run: Schema<'Run'> }>()
const { data } = useRunReadings(() => props.run.id)
const minutes = computed(() => (props.run.attention_s ?? 0) / 60)
const kept = computed(() => data.value?.length ?? 0)
const jars = computed(() => data.value?.filter(({ texture }) => texture !== null) ?? [])
const left = computed(() => data.value?.filter(({ flags }) => flags.length).length ?? 0)
</script>

<template>
    <section v-if="data">
        <template v-if="run.state === 'finished'">
            <p class="lede">
                {{ count(kept, 'reading') }} kept{{
                    left
                        ? `, ${number(left)} of them left out of the verdict by rule`
                        : '; none is left out of the verdict'
                }}.
            </p>
            <p v-if="kept">
                {{ number(minutes / kept, 1) }} minutes of attention and {{ money((run.cost_cents ?? 0) / kept) }} a
                reading, {{ number(minutes, 1) }} minutes and {{ money(run.cost_cents ?? 0) }} in all.
            </p>
        </template>
        <table class="plain">
            <thead>
                <tr>
                    <th>Portion</th>
                    <th>Reading</th>
                    <th>By</th>
                    <th>Left out because</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in data" :key="one.id">
                    <td class="narrow">{{ one.portion }}</td>
                    <td>{{ one.as_reported }}</td>
                    <td class="narrow">{{ one.reader }}</td>
                    <td class="why">{{ one.breaks.join(' ') }}</td>
                </tr>
            </tbody>
        </table>
        <template v-for="jar in jars" :key="jar.id">
            <TextureTriangle
                v-if="jar.texture"
                :reading="jar.texture"
                :name="jars.length > 1 ? jar.portion : undefined"
            />
        </template>
    </section>
</template>

<style scoped>
.why {
    font-size: 12px;
    color: var(--amber-text);
}
</style>
