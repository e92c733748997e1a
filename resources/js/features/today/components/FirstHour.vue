<script setup lang="ts">
import { HELP } from '@/shared/help'

/** What to do first where nothing was read yet: the work, in its order, and where it stands. */
const props = defineProps<{ areas: number; composites: number; readings: number }>()
const isDone = (stage: string): boolean =>
    (stage === 'areas' && props.areas > 0) || (['plans', 'pull'].includes(stage) && props.composites > 0)
const next = (): string => HELP.find(({ stage }) => !isDone(stage))?.stage ?? ''
</script>

<template>
    <section class="hour">
        <h2>Your first hour</h2>
        <p>
            The work goes from top to bottom. Each page says what to do first; <kbd>?</kbd> says what it is for, and
            <RouterLink to="/people">somebody else can be invited</RouterLink>.
        </p>
        <ol>
            <li v-for="one in HELP" :key="one.stage" :class="{ done: isDone(one.stage), next: one.stage === next() }">
                <RouterLink :to="one.path">{{ one.title }}</RouterLink>{{ isDone(one.stage) ? ', done' : '' }}
                <span class="note">{{ one.first }}</span>
            </li>
        </ol>
    </section>
</template>

<style scoped>
.hour {
    margin-bottom: 20px;
}
ol {
    padding-left: 22px;
}
li {
    margin-bottom: 6px;
}
.note {
    display: block;
}
.next a {
    font-weight: 700;
}
.done .note {
    display: none;
}
kbd {
    font: 600 13px var(--sans);
    border: 1px solid var(--line);
    padding: 0 6px;
}
</style>
