<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { span } from '../clock'

/** Every tube of a run: how far it is, what it waits for, what broke. A row is chosen to be worked next, out of turn. */
const props = defineProps<{ run: Schema<'Run'>; now: number; breaks: Schema<'NamedCode'>[]; chosen: number | null }>()
const emit = defineEmits<{
    choose: [tube: number]
    incident: [tube: number, code: string]
    again: [tube: number]
    giveUp: [tube: number]
    undo: [tube: number, mark: string]
}>()
const QUICK = ['spilled', 'cloudy', 'wet-soil', 'against-light']
const hands = computed(() => props.run.steps.filter(({ kind }) => kind !== 'wait'))
const quick = computed(() => props.breaks.filter(({ code }) => QUICK.includes(code)))
const place = (tube: Schema<'Tube'>): number =>
    tube.status === 'done' ? hands.value.length : hands.value.findIndex(({ code }) => code === tube.step)

function says(tube: Schema<'Tube'>): string {
    const step = props.run.steps.find(({ code }) => code === tube.step)
    const wait = props.run.steps.find(({ code }) => code === tube.wait)
    switch (tube.status) {
        case 'new':
            return 'not begun'
        case 'done':
            return tube.reads.map(({ words, reader }) => words ?? `read by ${reader}`).join(', ')
        case 'given-up':
            return 'given up'
        case 'going':
            return step?.kind === 'read' ? 'being read' : (step?.do ?? '')
        default:
            return wait ? wait.do : `next: ${step?.do ?? ''}`
    }
}
function clock(tube: Schema<'Tube'>): { text: string; late: boolean } {
    if (tube.window === null) return { text: '', late: false }
    if (props.now < tube.window.aim) return { text: span(tube.window.aim - props.now), late: false }
    if (props.now <= tube.window.until) return { text: 'now', late: false }
    return { text: `late ${span(props.now - tube.window.until)}`, late: true }
}
const closed = computed(() => props.run.state !== 'open')
</script>

<template>
    <table class="plain tubes">
        <thead>
            <tr>
                <th>Tube</th>
                <th>Portion</th>
                <th>Steps</th>
                <th>{{ closed ? 'Read' : 'Now' }}</th>
                <th v-if="!closed" class="num">Time</th>
                <th>Broken</th>
                <th v-if="!closed"><span class="sr">Say something of it</span></th>
            </tr>
        </thead>
        <tbody>
            <tr
                v-for="tube in run.tubes"
                :key="tube.number"
                :class="{ chosen: tube.number === chosen }"
                :data-tube="tube.number"
            >
                <td>
                    <button
                        v-if="!closed && tube.step"
                        type="button"
                        class="link"
                        :aria-label="`Work tube ${tube.number} next`"
                        @click="emit('choose', tube.number)"
                    >
                        {{ tube.number }}
                    </button>
                    <template v-else>{{ tube.number }}</template>
                </td>
                <td class="narrow">
                    <template v-if="closed || tube.status === 'new' || tube.step !== run.steps.at(-1)?.code">{{
                        tube.portion
                    }}</template>
                    <span v-else class="note">covered</span>
                </td>
                <td>
                    <span
                        class="steps"
                        role="img"
                        :aria-label="`${place(tube) < 0 ? 0 : place(tube)} of ${hands.length} steps done`"
                    >
                        <i
                            v-for="(step, i) in hands"
                            :key="step.code"
                            :class="{ done: i < place(tube), here: i === place(tube) && tube.status === 'going' }"
                        ></i>
                    </span>
                </td>
                <td class="narrow">
                    {{ says(tube) }}<span v-if="tube.attempts > 1" class="note">, attempt {{ tube.attempts }}</span>
                </td>
                <td v-if="!closed" class="num" :class="{ late: clock(tube).late }" :data-clock="tube.number">
                    {{ clock(tube).text }}
                </td>
                <td class="broken">{{ tube.breaks.map(({ words }) => words).join(' ') }}</td>
                <td v-if="!closed" class="more">
                    <details v-if="tube.status !== 'new' || tube.last_mark">
                        <summary :aria-label="`More on tube ${tube.number}`">more</summary>
                        <div class="menu">
                            <button
                                v-for="one in quick"
                                :key="one.code"
                                type="button"
                                class="link"
                                @click="emit('incident', tube.number, one.code)"
                            >
                                {{ one.name }}
                            </button>
                            <button
                                v-if="tube.last_mark"
                                type="button"
                                class="link"
                                @click="emit('undo', tube.number, tube.last_mark)"
                            >
                                Take the last mark back
                            </button>
                            <button type="button" class="link" @click="emit('again', tube.number)">
                                Empty it and begin anew
                            </button>
                            <button v-if="tube.step" type="button" class="link" @click="emit('giveUp', tube.number)">
                                Give it up
                            </button>
                        </div>
                    </details>
                </td>
            </tr>
        </tbody>
    </table>
</template>

<style scoped>
.tubes td {
    padding: 2px 10px 2px 0;
}
.tubes td:nth-child(2) {
    white-space: nowrap;
}
.steps {
    display: inline-flex;
    gap: 3px;
}
.steps i {
    width: 9px;
    height: 9px;
    border: 1px solid var(--line);
}
.steps i.done {
    background: var(--umber);
    border-color: var(--umber);
}
.steps i.here {
    background: linear-gradient(135deg, var(--umber) 50%, transparent 50%);
    border-color: var(--umber);
}
.late {
    color: var(--oxide);
    font-weight: 600;
}
.broken {
    color: var(--amber-text);
    font-size: 12px;
    max-width: 220px;
}
.more {
    position: relative;
}
summary {
    cursor: pointer;
    color: var(--gley);
    text-decoration: underline;
    list-style: none;
}
.menu {
    position: absolute;
    right: 0;
    z-index: 5;
    display: grid;
    gap: 6px;
    background: var(--sheet);
    border: 1px solid var(--line);
    padding: 8px 12px;
    width: max-content;
    text-align: left;
    box-shadow: var(--el-box-shadow-light);
}
.menu .link {
    text-align: left;
}
</style>
