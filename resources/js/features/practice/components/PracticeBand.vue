<script setup lang="ts">
import { computed, ref } from 'vue'
import { api } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'

/** Says on every page and paper that this is practice ground: what its lesson asks, the hint, the way back. */
const { me, goOver } = useSession()
const here = computed(() => me.value?.practice ?? null)
const lesson = computed(() => here.value?.lesson ?? null)
const open = ref(false)
const asked = ref('')
const hint = useSave(
    () => api.post('/practice/hint', undefined),
    (found) => (asked.value = found.hint),
)
const leave = useSave(
    () => api.post('/practice/leave', undefined),
    () => goOver(false, '/practice'),
)
</script>

<template>
    <aside v-if="here" class="band" aria-label="Practice ground">
        <p class="line">
            <strong>Practice ground: nothing here is real.</strong>
            <span v-if="lesson" class="goal">{{ lesson.title }}. {{ lesson.goal }}</span>
            <span v-else class="goal">Sign a verdict or a program to see what the ground was.</span>
            <span class="acts no-print">
                <button v-if="lesson" type="button" class="link" :aria-expanded="open" @click="open = !open">
                    {{ open ? 'Close' : 'What to do' }}
                </button>
                <RouterLink to="/practice/reveal">What the ground was</RouterLink>
                <button type="button" class="link" :disabled="leave.saving.value" @click="leave.save()">
                    Back to your own records
                </button>
            </span>
        </p>
        <RefusalNote :refusal="leave.refusal.value ?? hint.refusal.value" />
        <div v-if="lesson && open" class="more no-print">
            <ol>
                <li v-for="step in lesson.do" :key="step">{{ step }}</li>
            </ol>
            <p v-if="asked || lesson.hint" role="status"><strong>Hint.</strong> {{ asked || lesson.hint }}</p>
            <button v-else type="button" class="link" @click="hint.save()">Give me a hint</button>
        </div>
    </aside>
</template>

<style scoped>
.band {
    border: 2px dashed var(--umber);
    background: var(--sheet);
    padding: 6px 14px;
    position: sticky;
    top: 0;
    z-index: 30;
}
/* Wherever a page was scrolled to, its edge says that it is practice. */
.band::after {
    content: '';
    position: fixed;
    inset: 0;
    border: 2px dashed var(--umber);
    pointer-events: none;
    z-index: 31;
}
.line {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    margin: 0;
    align-items: baseline;
}
.goal {
    flex: 1 1 240px;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
}
.more {
    max-width: 760px;
    padding: 4px 0;
}
.more ol {
    margin: 4px 0;
    padding-left: 20px;
}
.more p {
    margin: 4px 0;
}
@media print {
    .band {
        position: static;
    }
    .band::after {
        display: none;
    }
}
@media (max-width: 700px) {
    .band {
        position: static;
    }
    .goal {
        flex-basis: 100%;
    }
    .acts > * {
        min-height: 44px;
        display: inline-flex;
        align-items: center;
    }
}
</style>
