<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { span } from '../clock'

/** What to do next, with its time; the one button does it. */
const props = defineProps<{
    run: Schema<'Run'>
    task: Schema<'Task'>
    tube: Schema<'Tube'>
    now: number
    quiet?: boolean
}>()
const emit = defineEmits<{ act: []; all: []; again: [] }>()
const step = computed(() => props.run.steps.find(({ code }) => code === props.task.step))
const wait = computed(() => props.run.steps.find(({ code }) => code === props.tube.wait))
const early = computed(() => props.task.from_ms - props.now)
const late = computed(() => (props.task.until_ms === null ? 0 : props.now - props.task.until_ms))
const due = computed(() => props.now >= props.task.aim_ms)
const words = computed(() => {
    if (props.task.act === 'end') return `Stop: ${step.value?.do ?? ''}`
    return step.value?.do ?? ''
})
const alike = computed(
    () =>
        props.run.tubes.filter(
            (one) => one.step === props.task.step && one.status !== 'going' && one.status !== 'waiting',
        ).length,
)
const time = computed(() => {
    const { from_ms: from, aim_ms: aim, until_ms: until } = props.task
    if (props.now < aim)
        return {
            figure: span(aim - props.now),
            says: props.now < from ? 'until it is due' : 'more; it would be in time now',
        }
    if (until !== null && props.now > until)
        return { figure: span(props.now - until), says: 'too late: it will be left out of the verdict' }
    if (until !== null) return { figure: span(until - props.now), says: 'left to be in time' }
    return null
})
</script>

<template>
    <section class="next" :class="{ due, late: late > 0 }" aria-live="polite">
        <p class="tube">
            Tube {{ tube.number }}
            <span v-if="task.act !== 'read'" class="soil">{{ tube.portion }}, {{ tube.area }}</span>
        </p>
        <p class="do">{{ words }}</p>
        <p v-if="step?.amount && task.act !== 'end'" class="amount">{{ step.amount }}</p>
        <p v-if="time" class="time">
            <span class="figure" data-fact="countdown">{{ time.figure }}</span>
            <span>{{ time.says }}</span>
        </p>
        <p v-for="one in tube.breaks" :key="one.words" class="warning">{{ one.words }}</p>
        <p v-if="tube.breaks.length && !tube.reads.length">
            It can still be repeated:
            <button type="button" class="link" @click="emit('again')">empty it and begin anew</button>.
        </p>
        <p v-if="wait && early > 0" class="note">{{ wait.do }}.</p>
        <el-button :type="quiet ? 'default' : 'primary'" size="large" @click="emit('act')">
            {{
                task.act === 'begin'
                    ? `Start: ${step?.do}`
                    : task.act === 'end'
                      ? 'Stop'
                      : task.act === 'read'
                        ? 'Look now'
                        : 'Done'
            }}
            <kbd>space</kbd>
        </el-button>
        <button v-if="task.act === 'do' && alike > 1" type="button" class="link all" @click="emit('all')">
            Done for all {{ alike }} tubes at this step
        </button>
    </section>
</template>

<style scoped>
.next {
    border-left: 3px solid var(--rule);
    padding: 2px 0 6px 14px;
    margin-bottom: 16px;
}
.next.due {
    border-left-color: var(--gley);
}
.next.late {
    border-left-color: var(--oxide);
}
.tube {
    font: 700 29px/1.1 var(--serif);
    font-feature-settings: 'lnum';
    margin: 0;
}
.soil {
    font: 400 15px var(--serif);
    color: var(--ink-2);
}
.do {
    font: 19px/1.25 var(--serif);
    margin: 4px 0 2px;
}
.amount {
    color: var(--ink-2);
    margin: 0 0 4px;
}
.time {
    display: flex;
    align-items: baseline;
    gap: 10px;
    margin: 6px 0 10px;
}
.figure {
    font: 700 44px/1 var(--serif);
    font-feature-settings: 'lnum', 'tnum';
    min-width: 96px;
}
.late .figure {
    color: var(--oxide);
}
kbd {
    font: 11.5px var(--sans);
    margin-left: 8px;
    opacity: 0.85;
}
.all {
    display: block;
    margin-top: 8px;
}
</style>
