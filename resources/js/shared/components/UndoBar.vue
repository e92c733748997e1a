<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { onUnmounted, ref } from 'vue'
import { api, onChange } from '@/api/client'
import { useSave } from '@/shared/composables/useSave'

/** For ten seconds after a change of a name, facts, an answer or a move: it can be taken back. */
const OFFERED_MS = 10_000
const queries = useQueryClient()
const change = ref<number | null>(null)
const said = ref('')
let clock: ReturnType<typeof setTimeout> | undefined

function begin(ms = OFFERED_MS): void {
    clearTimeout(clock)
    clock = setTimeout(() => {
        change.value = null
        said.value = ''
    }, ms)
}
function hold(): void {
    clearTimeout(clock)
}
const off = onChange((id) => {
    change.value = id
    said.value = 'Saved.'
    begin()
})
onUnmounted(() => {
    off()
    clearTimeout(clock)
})
const back = useSave(
    async (id: number) => {
        await api.post('/changes/{change}/take-back', undefined, { ids: { change: id } })
        change.value = null
        said.value = 'Taken back.'
        begin()
    },
    () => queries.invalidateQueries(),
)
</script>

<template>
    <div
        class="undo no-print"
        role="status"
        @mouseenter="hold"
        @mouseleave="begin()"
        @focusin="hold"
        @focusout="begin()"
    >
        <p v-if="said">
            {{ back.refusal.value?.message ?? said }}
            <button v-if="change !== null" type="button" class="link" @click="back.save(change)">Take it back</button>
            <RouterLink to="/changes">What was changed</RouterLink>
        </p>
    </div>
</template>

<style scoped>
.undo {
    position: fixed;
    right: 16px;
    bottom: 16px;
    z-index: 90;
}
p {
    display: flex;
    gap: 14px;
    align-items: center;
    margin: 0;
    padding: 10px 14px;
    background: var(--ink);
    color: var(--paper);
}
.link,
a {
    color: var(--paper);
    text-decoration: underline;
    min-height: 24px;
}
@media (max-width: 700px) {
    .undo {
        left: 0;
        right: 0;
        bottom: 0;
    }
    p {
        min-height: 52px;
    }
}
</style>
