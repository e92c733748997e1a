<script setup lang="ts">
import { computed } from 'vue'
import { count } from '@/shared/format'
import { up } from '@/shared/offline/line'
import { box, dismiss, send } from '@/shared/offline/outbox'

/** What is on this phone alone: always said, loudly when something was refused. */
const off = computed(() => {
    const hours = Math.round(Math.abs(box.clockOff) / 360) / 10
    const how =
        hours >= 24
            ? count(Math.round(hours / 24), 'day')
            : hours >= 1
              ? `${hours} hours`
              : `${Math.round(Math.abs(box.clockOff) / 60)} minutes`
    return box.clockOff === 0
        ? ''
        : `The clock of this phone is ${how} ${box.clockOff > 0 ? 'slow' : 'fast'}. The times were mended; set the clock.`
})
</script>

<template>
    <div v-if="!up || box.unsent > 0" class="line" role="status">
        <svg viewBox="0 0 26 22" width="26" height="22" aria-hidden="true">
            <path d="M3 20v-4M9 20v-8M15 20V8M21 20V3" />
            <path v-if="!up" d="M2 2 24 21" class="no" />
        </svg>
        <span
            ><strong>{{ up ? (box.sending ? 'Sending.' : 'Waiting to send.') : 'No signal.' }}</strong>
            {{
                box.unsent ? `${count(box.unsent, 'entry', 'entries')} kept on this phone` : 'All entries are sent'
            }}</span
        >
        <button v-if="up && box.unsent > 0 && !box.sending" type="button" class="link" @click="send">Send now</button>
    </div>
    <div
        v-if="box.refused.length || box.stuck.length || box.unspread.length || box.trouble || off"
        class="line bad"
        role="alert"
    >
        <ul>
            <li v-for="entry in box.refused" :key="entry.uuid">
                <strong>Core {{ entry.sequence }} was refused.</strong> {{ entry.message }}
                <button type="button" class="link" @click="dismiss(entry)">Take it off</button>
            </li>
            <li v-for="handIn in box.stuck" :key="handIn.submission">
                <strong>The composite was not made.</strong> {{ handIn.message }}
                <RouterLink :to="`/pull/${handIn.plan_id}?composite=${handIn.composite}`">Look at it</RouterLink>
                <button type="button" class="link" @click="dismiss(handIn)">Take it off</button>
            </li>
            <li v-for="one in box.unspread" :key="one.uuid">
                <strong>{{ one.words }} was refused.</strong> {{ one.message }}
                <button type="button" class="link" @click="dismiss(one)">Take it off</button>
            </li>
            <li v-if="box.trouble">{{ box.trouble }}</li>
            <li v-if="off">{{ off }}</li>
        </ul>
    </div>
</template>

<style scoped>
.line {
    display: flex;
    gap: 10px;
    align-items: center;
    background: var(--amber-wash);
    color: var(--amber-text);
    border-bottom: 1px solid var(--rule);
    padding: 12px 20px 8px;
    font-size: 15px;
}
.line.bad {
    background: var(--sheet);
    color: var(--oxide);
}
svg path {
    fill: none;
    stroke: currentColor;
    stroke-width: 3;
}
svg .no {
    stroke-width: 2;
}
ul {
    list-style: none;
    margin: 0;
    padding: 0;
}
.link {
    min-height: 44px;
    margin-left: auto;
    font-weight: 600;
}
li .link {
    margin-left: 8px;
}
</style>
