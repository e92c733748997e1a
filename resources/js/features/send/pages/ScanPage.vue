<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, onScopeDispose, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, Refused, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useSave } from '@/shared/composables/useSave'
import { useTyped } from '@/shared/composables/useTyped'
import { count, portionName, optional } from '@/shared/format'
import { newId } from '@/shared/offline/store'
import { codeReader } from '../codeReader'
import { STEPS } from '../steps'
import { usePortion } from '../api'
import OneOf from '@/shared/components/OneOf.vue'

/** Codes, scanned or typed, and one step for all of them: for the hand, the phone and the packing bench. */
const route = useRoute()
const queries = useQueryClient()
const found = ref<Schema<'Portion'>[]>([])
const typed = ref('')
const said = ref('')
const field = ref<HTMLInputElement | null>(null)
const done = ref('')
const place = useLocalStorage('honest-core:place', '')
const form = reactive({ step: '', condition: '', celsius: '', at: '' })
/** Of what is on the page now: pressed again after a lost answer it is the same, changed it is another. */
let submission = newId()
let moment = ''
watch(
    [found, form, place],
    () => {
        submission = newId()
        moment = ''
    },
    { deep: true },
)
const first = computed(() => found.value[0]?.id ?? 0)
const next = usePortion(first)
const steps = computed(() => next.data.value?.next ?? [])

async function add(code: string): Promise<void> {
    typed.value = ''
    done.value = ''
    if (!code.trim()) return
    try {
        const portion = await api.get('/portions', { query: { code } })
        if (found.value.some(({ id }) => id === portion.id))
            said.value = `${portion.code} is in the list already: scanned twice?`
        else {
            found.value = [...found.value, portion]
            said.value = ''
        }
    } catch (error) {
        said.value = error instanceof Refused ? error.message.replace(' Nothing was written.', '') : String(error)
    }
    await nextTick()
    field.value?.focus()
}
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post('/custody-steps', {
            submission,
            codes: found.value.map(({ code }) => code),
            step: form.step,
            at: form.at ? new Date(form.at).toISOString() : (moment ||= new Date().toISOString()),
            place: place.value || null,
            condition: form.condition || null,
            celsius: optional(form.celsius),
            corrects: null,
        }),
    async (answer) => {
        done.value = [
            `${count(answer.portions.length, 'portion')} ${STEPS[form.step] ?? form.step}.`,
            ...new Set(answer.said),
        ].join(' ')
        found.value = []
        Object.assign(form, { step: '', condition: '', celsius: '', at: '' })
        typedHere.settle()
        await queries.invalidateQueries()
    },
)

const hasCamera = navigator.mediaDevices?.getUserMedia !== undefined
const video = ref<HTMLVideoElement | null>(null)
const camera = ref<MediaStream | null>(null)
let looking: ReturnType<typeof setInterval> | undefined
async function look(): Promise<void> {
    try {
        camera.value = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } })
    } catch {
        said.value = 'The camera cannot be used: type the code.'
        return
    }
    await nextTick()
    if (!video.value) return
    video.value.srcObject = camera.value
    await video.value.play()
    const reader = await codeReader().catch(() => null)
    if (!reader) {
        said.value = 'The reader of codes could not be loaded: type the code.'
        stop()
        return
    }
    let last = ''
    let reading = false
    looking = setInterval(async () => {
        if (reading || !video.value) return
        reading = true
        const code = await reader.read(video.value).catch(() => null)
        reading = false
        if (code && code !== last) {
            last = code
            await add(code)
        }
    }, 300)
}
function stop(): void {
    clearInterval(looking)
    camera.value?.getTracks().forEach((track) => track.stop())
    camera.value = null
}
onScopeDispose(stop)
/** Codes that were chosen elsewhere, one after the other. */
async function addAll(codes: readonly (string | null)[]): Promise<void> {
    const failed: string[] = []
    for (const code of codes) {
        await add(code ?? '')
        if (said.value) failed.push(said.value)
    }
    said.value = failed.join(' ')
}
const asked = [route.query.code ?? []].flat()
const codes = computed({
    get: () => found.value.map(({ code }) => code),
    set: (before) => {
        found.value = found.value.filter(({ code }) => before.includes(code))
        void addAll(before.filter((code) => !asked.includes(code)))
    },
})
const typedHere = useTyped(
    () => 'codes that were scanned',
    () => 'scan',
    { codes, form },
)
void addAll(asked)
</script>

<template>
    <PageHead
        over="Custody"
        title="Scan codes"
        lede="Scan or type the codes on the bags, then say what happened to them. Each bag keeps its line in its trail."
    />
    <div class="scan">
        <TypedBefore :typed="typedHere" />
        <form novalidate @submit.prevent="add(typed)">
            <FormField label="Code on the label" :wrong="said || undefined">
                <input
                    ref="field"
                    v-model="typed"
                    class="big-input"
                    name="code"
                    autocomplete="off"
                    autocapitalize="characters"
                />
            </FormField>
            <div class="row">
                <el-button native-type="submit">Add</el-button>
                <button v-if="hasCamera && !camera" type="button" class="link" @click="look">Use the camera</button>
                <button v-if="camera" type="button" class="link" @click="stop">Stop the camera</button>
            </div>
            <video v-if="camera" ref="video" muted playsinline></video>
        </form>
        <p v-if="done" class="done" role="status">{{ done }}</p>
        <template v-if="found.length">
            <ul class="codes">
                <li v-for="portion in found" :key="portion.id">
                    <strong>{{ portion.code }}</strong> {{ portionName(portion.kind) }}, {{ portion.state_name
                    }}{{ portion.place ? `, ${portion.place}` : '' }}
                    <RouterLink v-if="portion.sample_id" :to="`/samples/${portion.sample_id}?portion=${portion.id}`"
                        >Trail</RouterLink
                    >
                    <button
                        type="button"
                        class="link"
                        :aria-label="`Take ${portion.code} off the list`"
                        @click="found = found.filter((one) => one !== portion)"
                    >
                        Take off
                    </button>
                </li>
            </ul>
            <form novalidate class="step" @submit.prevent="save()">
                <RefusalNote :refusal="refusal" />
                <FormField label="What happened" :wrong="wrong('step')">
                    <OneOf
                        v-model="form.step"
                        size="large"
                        name="step"
                        none="choose a step"
                        :options="steps.map(({ code, name }) => [code, name] as const)"
                    />
                </FormField>
                <div class="two">
                    <FormField label="Where" :wrong="wrong('place')"
                        ><input v-model="place" class="big-input" name="place" maxlength="80"
                    /></FormField>
                    <FormField label="Temperature, °C" :wrong="wrong('celsius')"
                        ><input v-model="form.celsius" class="big-input" name="celsius" inputmode="decimal"
                    /></FormField>
                </div>
                <FormField label="Condition" :wrong="wrong('condition')"
                    ><input v-model="form.condition" class="big-input" name="condition" maxlength="200"
                /></FormField>
                <FormField label="When, if not now" :wrong="wrong('at')"
                    ><input v-model="form.at" class="big-input" name="at" type="datetime-local"
                /></FormField>
                <el-button type="primary" size="large" native-type="submit" :loading="saving" :disabled="!form.step"
                    >Write it for {{ count(found.length, 'portion') }}</el-button
                >
            </form>
        </template>
    </div>
</template>

<style scoped>
.scan {
    max-width: 560px;
}
.big-input {
    width: 100%;
    min-height: 52px;
    font-size: 18px;
    border: 1px solid var(--line);
    background: var(--sheet);
    padding: 0 10px;
}
.codes {
    list-style: none;
    padding: 0;
    font-size: 15px;
}
.codes li {
    border-bottom: 1px solid var(--hair);
    padding: 8px 0;
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
}
.codes .link {
    margin-left: auto;
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 12px;
}
.done {
    font: 17px/1.3 var(--serif);
    border-left: 3px solid var(--gley);
    padding-left: 10px;
}
video {
    width: 100%;
    max-height: 300px;
    margin-top: 8px;
}
</style>
