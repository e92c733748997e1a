<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { shortcuts, useShortcut } from '@/shared/composables/useShortcut'
import { useSearch } from '@/shared/api'
import { useSession } from '@/shared/composables/useSession'
import { commandsNamed, pagesNamed } from '@/shared/pages'

interface Hit {
    kind: string
    label: string
    detail: string
    to: string
    act?: () => void
}
const { signOut } = useSession()

const router = useRouter()
const words = ref('')
const asked = refDebounced(words, 120)
const box = ref<HTMLInputElement | null>(null)
const open = ref(false)
const at = ref(0)
const { data, isFetching } = useSearch(asked)
/** Records first, then pages. */
const found = computed<Hit[]>(() =>
    asked.value.trim().length > 1
        ? [...(data.value ?? []), ...pagesNamed(asked.value), ...commandsNamed(asked.value), ...here(asked.value)]
        : [],
)
/** What can be done on this very page: its shortcuts, printing it, signing out. */
function here(typed: string): Hit[] {
    const asks = typed.trim().toLowerCase()
    return [
        ...[...shortcuts].map(({ key, what, act }) => ({ label: what, detail: `key ${key}`, act })),
        { label: 'Print this page', detail: '', act: () => window.print() },
        { label: 'Sign out', detail: '', act: () => void signOut() },
    ]
        .filter(({ label }) => label.toLowerCase().includes(asks))
        .map((one) => ({ kind: 'do', to: '', ...one }))
}
watch(found, () => (at.value = 0))
useShortcut('/', 'Search', () => box.value?.focus())

function go(i: number): void {
    const hit = found.value[i]
    if (!hit) return
    open.value = false
    words.value = ''
    box.value?.blur()
    if (hit.act) hit.act()
    else void router.push(hit.to)
}
function move(step: number): void {
    at.value = (at.value + step + found.value.length) % Math.max(1, found.value.length)
}
</script>

<template>
    <div class="search" role="search">
        <input
            ref="box"
            v-model="words"
            type="search"
            role="combobox"
            placeholder="Find a record, a page, a command"
            aria-label="Find a record, a page, a command"
            aria-controls="search-found"
            :aria-expanded="open && words.trim().length > 1"
            autocomplete="off"
            @focus="open = true"
            @blur="open = false"
            @keydown.down.prevent="move(1)"
            @keydown.up.prevent="move(-1)"
            @keydown.enter="go(at)"
            @keydown.esc="((words = ''), box?.blur())"
        />
        <kbd aria-hidden="true">/</kbd>
        <ul v-if="open && asked.trim().length > 1" id="search-found" role="listbox">
            <li
                v-for="(hit, i) in found"
                :key="hit.kind + hit.to + hit.label"
                role="option"
                :aria-selected="i === at"
                :class="{ at: i === at }"
                @mousedown.prevent="go(i)"
            >
                <strong>{{ hit.label }}</strong>
                <span>{{ hit.detail }}</span>
                <span class="kind">{{ hit.kind }}</span>
            </li>
            <li v-if="!found.length && !isFetching" class="none">Nothing has that code or name.</li>
        </ul>
    </div>
</template>

<style scoped>
.search {
    position: relative;
    width: 290px;
}
input {
    width: 100%;
    height: 28px;
    padding: 0 26px 0 8px;
    border: 1px solid var(--line);
    border-radius: 2px;
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
}
input::placeholder {
    color: var(--placeholder);
}
input::-webkit-search-cancel-button {
    display: none;
}
kbd {
    position: absolute;
    right: 8px;
    top: 4px;
    font: inherit;
    color: var(--ink-2);
}
ul {
    position: absolute;
    z-index: 60;
    top: 30px;
    left: 0;
    width: 420px;
    margin: 0;
    padding: 4px 0;
    list-style: none;
    background: var(--sheet);
    border: 1px solid var(--line);
    box-shadow: var(--el-box-shadow-light);
    color: var(--ink);
}
li {
    display: flex;
    gap: 10px;
    padding: 5px 10px;
    cursor: pointer;
}
li.at {
    background: var(--gley-wash);
    color: var(--gley-deep);
}
.kind {
    margin-left: auto;
    color: var(--ink-2);
}
.none {
    color: var(--ink-2);
    cursor: default;
}
</style>
