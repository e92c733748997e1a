<script setup lang="ts">
import { useTyped } from '@/shared/composables/useTyped'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { typed } from '@/shared/format'
import { computed, reactive, ref, shallowRef, toRefs } from 'vue'
import { type Schema } from '@/api/client'
import StepList from './StepList.vue'
import { useChoices } from '@/shared/api'
import FilePick from '@/shared/components/FilePick.vue'
import OneOf from '@/shared/components/OneOf.vue'

/** What was really done, before the composite is made. */
const props = defineProps<{ by: string; units: string; keep: string; planned: number }>()
const emit = defineEmits<{
    done: [said: { pulled_by: string; note: string; conditions: Schema<'PullConditions'>; photos: File[] }]
}>()
const CM_PER_INCH = 2.54
const choices = useChoices()
const form = reactive({
    by: props.by,
    helper: '',
    tool: 'probe',
    moisture: 'moist',
    weather: '',
    reached: '',
    note: '',
})
const named = (list: { code: string; name: string }[] | undefined) =>
    (list ?? []).map(({ code, name }) => [code, name] as const)
const tools = computed(() => named(choices.data.value?.pulling.tools))
const moistures = computed(() => named(choices.data.value?.pulling.moistures))
const { helper, tool, moisture, weather, reached, note } = toRefs(form)
const typedHere = useTyped(
    () => 'how the cores were pulled',
    () => `finish-${props.keep}`,
    { helper, tool, moisture, weather, reached, note },
)
const photos = shallowRef<File[]>([])
const wrong = ref('')

function done(): void {
    const reached = form.reached.trim() === '' ? null : typed(form.reached)
    wrong.value =
        form.by.trim().length < 2
            ? 'Say who pulled it.'
            : reached !== null && !(reached > 0 && reached <= 120)
              ? 'The depth reached is no depth; leave it empty when every core went to full depth.'
              : ''
    if (wrong.value) return
    typedHere.settle()
    emit('done', {
        pulled_by: form.by.trim(),
        note: form.note,
        photos: photos.value,
        conditions: {
            depth_reached_cm: reached === null ? null : reached * (props.units === 'us' ? CM_PER_INCH : 1),
            tool: form.tool,
            moisture: form.moisture,
            weather: form.weather || null,
            helper: form.helper || null,
        },
    })
}
</script>

<template>
    <form novalidate @submit.prevent="done">
        <h2>All {{ planned }} cores are done</h2>
        <TypedBefore :typed="typedHere" />
        <StepList
            v-if="choices.data.value"
            title="Now"
            :steps="choices.data.value.pulling.after"
            :keep="`${keep}:after`"
        />
        <label>Pulled by <input v-model="form.by" name="pulled-by" /></label>
        <div class="two">
            <label>Tool <OneOf v-model="form.tool" size="large" name="tool" :options="tools" /></label>
            <label>Soil was <OneOf v-model="form.moisture" size="large" name="moisture" :options="moistures" /></label>
            <label>Helper <input v-model="form.helper" name="helper" maxlength="80" /></label>
            <label>Weather <input v-model="form.weather" name="weather" maxlength="80" /></label>
        </div>
        <label
            >Depth reached, {{ units === 'us' ? 'in' : 'cm' }}, if not full depth
            <input v-model="form.reached" name="reached" inputmode="decimal"
        /></label>
        <label>Note <input v-model="form.note" name="note" maxlength="2000" /></label>
        <label
            >Photos, if any
            <FilePick
                accept="image/jpeg,image/png"
                multiple
                @change="photos = [...((($event.target as HTMLInputElement).files ?? []) as FileList)]"
        /></label>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
        <button type="submit" class="big">Make the composite</button>
    </form>
</template>

<style scoped>
h2 {
    font-size: 24px;
    margin-top: 18px;
}
label:not(fieldset label) {
    display: block;
    font-weight: 600;
    margin: 14px 0;
}
label > input:not([type='checkbox']) {
    display: block;
    width: 100%;
    min-height: 52px;
    font-size: 17px;
    padding: 0 10px;
    border: 1px solid var(--line);
    background: var(--sheet);
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 12px;
}
</style>
