<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { count, number, siteUnits } from '@/shared/format'
import { shownIn, unitOf } from '@/shared/measures'

/** The parts that an area was pulled in, each with an answer of its own; one is looked at below. */
const props = defineProps<{ it: Schema<'Recommendation'>; kinds: Record<string, string> }>()
const differ = computed(() => new Set(props.it.parts.map(({ kind }) => kind)).size > 1)
const lead = computed(() => {
    const { parts, parts_planned: planned } = props.it
    const read =
        parts.length < planned
            ? count(parts.length, 'of them has a pH so far', 'of them have a pH so far')
            : 'all have a pH'
    const want = differ.value ? 'they do not want the same: treat each by its own answer' : 'they want the same'
    return `It was planned in ${count(planned, 'part')}; ${read}${parts.length > 1 ? `, and ${want}` : ''}.`
})
const tons = (part: Schema<'PartOfArea'>): string => {
    const [least, most] = [Math.min(...part.tons_per_acre), Math.max(...part.tons_per_acre)].map((one) =>
        number(shownIn(one, 'bulk', siteUnits.value), 1),
    )
    if (!part.tons_per_acre.length) return ''
    return `${least === most ? least : `${least} to ${most}`} ${unitOf('bulk', siteUnits.value)}`
}
</script>

<template>
    <section class="parts">
        <p class="words">{{ lead }}</p>
        <div class="list" tabindex="0" role="group" aria-label="List">
            <table class="plain">
                <thead>
                    <tr>
                        <th>Part</th>
                        <th>Composite</th>
                        <th class="num">pH</th>
                        <th>Answer</th>
                        <th>How much, by the schools</th>
                    </tr>
                </thead>
                <tbody>
                    <tr
                        v-for="part in it.parts"
                        :key="part.sample_id"
                        :class="{ chosen: part.sample_id === it.sample?.id }"
                    >
                        <td>{{ part.number }}</td>
                        <td>
                            <RouterLink
                                :to="{ query: { sample: part.sample_id } }"
                                replace
                                :aria-current="part.sample_id === it.sample?.id ? 'true' : undefined"
                                >{{ part.code }}</RouterLink
                            >
                        </td>
                        <td class="num">{{ part.ph === null ? '–' : number(part.ph, 2) }}</td>
                        <td>{{ kinds[part.kind] }}</td>
                        <td>{{ tons(part) }}</td>
                    </tr>
                </tbody>
            </table>
        </div>
    </section>
</template>

<style scoped>
.parts {
    margin-bottom: 14px;
}
.list {
    max-height: 300px;
    overflow-y: auto;
}
@media print {
    .list {
        max-height: none;
    }
}
.words {
    font: 16px/1.3 var(--serif);
    margin: 0 0 4px;
}
.chosen td {
    background: var(--sheet);
}
.chosen td:first-child {
    box-shadow: inset 3px 0 0 var(--gley);
    padding-left: 9px;
}
</style>
