<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'

/** The plates one after the other; the answers are judged on the server, which alone knows what they show. */
const props = defineProps<{ plates: Schema<'Plates'>; reader: string }>()
const emit = defineEmits<{ done: [] }>()
const SIZE = 460
const answers = ref<(string | null)[]>([])
const seen = ref('')
const field = ref<{ focus: () => void } | null>(null)
const at = computed(() => answers.value.length)
const plate = computed(() => props.plates.plates[at.value] ?? null)
const { save, saving, refusal } = useSave(
    () => api.post('/vision-checks', { reader: props.reader, seed: props.plates.seed, answers: answers.value }),
    () => emit('done'),
)
async function answer(what: string | null): Promise<void> {
    answers.value = [...answers.value, what]
    seen.value = ''
    if (answers.value.length === props.plates.plates.length) await save()
    await nextTick()
    field.value?.focus()
}
function typedIn(): void {
    if (/^\d$/.test(seen.value.trim())) void answer(seen.value.trim())
}
</script>

<template>
    <section class="check">
        <template v-if="plate">
            <svg
                :viewBox="`0 0 1 1`"
                :width="SIZE"
                :height="SIZE"
                role="img"
                :aria-label="`Plate ${at + 1} of ${plates.plates.length}`"
                data-plate
            >
                <circle v-for="(dot, i) in plate.dots" :key="i" :cx="dot.x" :cy="dot.y" :r="dot.r" :fill="dot.hex" />
            </svg>
            <form novalidate @submit.prevent="typedIn">
                <p class="over">Plate {{ at + 1 }} of {{ plates.plates.length }}</p>
                <label class="field">
                    <span class="label">Which figure do you see?</span>
                    <el-input
                        ref="field"
                        v-model="seen"
                        name="seen"
                        maxlength="1"
                        inputmode="numeric"
                        autofocus
                        style="width: 80px"
                    />
                </label>
                <p class="row">
                    <el-button type="primary" native-type="submit" :disabled="!/^\d$/.test(seen.trim())"
                        >Next plate</el-button
                    >
                    <el-button @click="answer(null)">I see nothing</el-button>
                </p>
                <button type="button" class="link" @click="emit('done')">Break it off</button>
            </form>
        </template>
        <div v-else>
            <RefusalNote :refusal="refusal" />
            <el-button :loading="saving" @click="save()">Send the answers again</el-button>
        </div>
    </section>
</template>

<style scoped>
.check {
    display: flex;
    gap: 40px;
    align-items: center;
}
</style>
