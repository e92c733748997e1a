<script setup lang="ts">
import { computed } from 'vue'

/** How often the kit sent a composite to an action, by the lab's. */
const props = defineProps<{ matrix: number[][]; actions: string[]; test: string; reference: string }>()
const columns = computed(() =>
    (props.matrix[0]?.length ?? 0) > props.actions.length ? [...props.actions, 'cannot sort'] : props.actions,
)
const misses = computed(() =>
    props.matrix.flatMap((row, i) =>
        row.flatMap((n, j) =>
            i === j || n === 0
                ? []
                : [
                      `${n === 1 ? 'One composite' : `${n} composites`} for “${props.actions[i]}” would have been sent ` +
                          `to “${columns.value[j]}”.`,
                  ],
        ),
    ),
)
</script>

<template>
    <table class="plain matrix">
        <caption class="sr">
            Rows: the action by
            {{
                reference
            }}. Columns: by
            {{
                test
            }}.
        </caption>
        <thead>
            <tr>
                <th scope="col">{{ reference }} says</th>
                <th v-for="action in columns" :key="action" scope="col" class="num">{{ test }} {{ action }}</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="(row, i) in matrix" :key="i">
                <th scope="row">{{ actions[i] }}</th>
                <td
                    v-for="(n, j) in row"
                    :key="j"
                    class="num"
                    :class="{ none: n === 0, hit: i === j && n > 0, miss: i !== j && n > 0 }"
                >
                    {{ n }}
                </td>
            </tr>
        </tbody>
    </table>
    <p class="note">{{ misses.length ? misses.join(' ') : 'No composite would have been sent to another action.' }}</p>
</template>

<style scoped>
tbody th {
    border-bottom: 1px solid var(--hair) !important;
    color: var(--ink) !important;
    font-size: 13px !important;
}
.none {
    color: var(--placeholder);
}
.hit,
.miss {
    font-weight: 600;
}
.miss {
    color: var(--oxide);
}
</style>
