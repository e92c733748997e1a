<script setup lang="ts">
import type { Schema } from '@/api/client'
import { count, depth, portionName } from '@/shared/format'
import type { HandIn } from '@/shared/offline/store'

/** The composite as it was handed in: made, or kept on this phone with the codes that its labels carry. */
defineProps<{ handIn: HandIn; codes: Schema<'KeptCode'>[] }>()
</script>

<template>
    <template v-if="handIn.state === 'sent'">
        <section v-for="sample in handIn.samples" :key="sample.id">
            <h2>Composite {{ sample.code }}</h2>
            <p class="say">
                {{ depth(sample.depth) }}, {{ count(sample.cores_pulled, 'core') }} of {{ sample.cores_planned }}. Mix
                in the bucket, then bag the portions and label them at once.
            </p>
            <p v-if="sample.deviations.length" class="say">It carries: {{ sample.deviations.join('; ') }}.</p>
            <ul class="codes">
                <li v-for="portion in sample.portions" :key="portion.id">
                    <strong>{{ portion.code }}</strong> {{ portionName(portion.kind).toLowerCase() }}
                </li>
            </ul>
            <RouterLink class="big" :to="`/samples/${sample.id}/labels`">Print the labels</RouterLink>
        </section>
    </template>
    <section v-else>
        <h2>Handed in, and kept on this phone</h2>
        <p class="say">The composite is made when there is a line again. Mix, bag and label it now.</p>
        <template v-if="codes.length">
            <div v-for="kept in codes" :key="kept.code">
                <p>{{ depth(kept.depth) }}: composite {{ kept.code }}</p>
                <ul class="codes">
                    <li v-for="portion in kept.portions" :key="portion.code">
                        <strong>{{ portion.code }}</strong> {{ portionName(portion.kind).toLowerCase() }}
                    </li>
                </ul>
            </div>
        </template>
        <p v-else class="say">
            No code was taken along for it: write area, depth, date and your name on the bag. The code comes with the
            line.
        </p>
    </section>
    <RouterLink class="big quiet" to="/pull">Next plan</RouterLink>
</template>

<style scoped>
h2 {
    font-size: 24px;
    margin-top: 18px;
}
.say {
    font: 17px/1.3 var(--serif);
}
.codes {
    list-style: none;
    padding: 0;
    font-size: 18px;
}
</style>
