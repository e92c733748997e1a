<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch, toRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { count, day, moment, number, today, typed } from '@/shared/format'
import { newId } from '@/shared/offline/store'
import { useCalibrations } from '../api'

/** Sets up a run: the method, the portions, who reads, and how it is done this time. */
const props = defineProps<{ bench: Schema<'Bench'>; site: number }>()
const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { me } = useSession()
const { timezone } = useSite()
const SHOWN = 40
const methodId = ref<number | null>(null)
watch(
    () => props.bench.methods,
    (methods) => (methodId.value ??= methods[0]?.id ?? null),
    { immediate: true },
)
const method = computed(() => props.bench.methods.find(({ id }) => id === methodId.value) ?? null)
const all = ref(false)
const shown = computed(() => {
    const wanted = Number(route.query.sample)
    const list = props.bench.portions.filter(
        (one) =>
            all.value ||
            one.sample_id === wanted ||
            (one.kind === 'bench' && !one.read_by.includes(methodId.value ?? 0)),
    )
    return list.slice(0, SHOWN)
})
const form = reactive({
    portions: [] as number[],
    replicates: 1,
    readers: [] as string[],
    said: {} as Record<string, string>,
    celsius: '20',
    depth: '15',
    lots: {} as Record<string, number | undefined>,
    expired_anyway: false,
    calibration_id: null as number | null,
    note: '',
})
const submission = ref(newId())
const expired = (lot: Schema<'Lot'>): boolean => lot.expires_on !== null && lot.expires_on < today(timezone.value)
watch(
    () => route.query.sample,
    (sample) => {
        const one = props.bench.portions.find(
            (portion) => portion.sample_id === Number(sample) && portion.kind === 'bench',
        )
        if (one) form.portions = [one.id]
    },
    { immediate: true },
)
watch(me, (who) => (form.readers = form.readers.length || !who ? form.readers : [who.name]), { immediate: true })
watch(
    method,
    (now) => {
        form.said = Object.fromEntries(
            (now?.conditions ?? []).map(({ code, options }) => [
                code,
                options.find(({ value }) => value === me.value?.practice?.lesson?.said[code])?.value ??
                    options[0]?.value ??
                    '',
            ]),
        )
        form.replicates = now?.readings_asked ?? 1
        form.lots = {}
        for (const lot of now?.lots ?? []) if (!expired(lot)) form.lots[lot.reagent] = lot.id
    },
    { immediate: true },
)
const usesExpired = computed(
    () => method.value?.lots.some((lot) => expired(lot) && Object.values(form.lots).includes(lot.id)) ?? false,
)
const broken = computed(() =>
    (method.value?.conditions ?? []).flatMap(({ code, name, options }) =>
        options
            .filter(({ value, breaks }) => breaks && form.said[code] === value)
            .map((option) => `${name}: ${option.name}`),
    ),
)
const blind = computed(() =>
    method.value?.colour
        ? form.readers.filter(
              (reader) => props.bench.readers.find(({ name }) => name === reader)?.vision?.passed !== true,
          )
        : [],
)
const { data: calibrations } = useCalibrations()
watch(
    [calibrations, method],
    ([list, now]) =>
        (form.calibration_id =
            now?.probe === 'ph'
                ? (list?.find((one) => one.reasons.length === 0 && one.drift === null)?.id ?? null)
                : null),
    { immediate: true },
)
const typedHere = useTyped(
    () => 'a run',
    () => `run-${props.site}`,
    { portions: toRef(form, 'portions'), note: toRef(form, 'note') },
)
/** What was chosen before and is there no more stays out of the run. */
form.portions = form.portions.filter((one) => props.bench.portions.some(({ id }) => id === one))
const tubes = computed(() => form.portions.length * form.replicates)
function toggleAll(): void {
    form.portions = form.portions.length === shown.value.length ? [] : shown.value.map(({ id }) => id)
}

const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/sites/{site}/runs',
            {
                submission: submission.value,
                method_id: methodId.value ?? 0,
                portion_ids: form.portions,
                replicates: form.replicates,
                readers: form.readers,
                said: form.said,
                celsius: method.value?.celsius ? typed(form.celsius) : null,
                depth_cm: method.value?.by_stokes ? typed(form.depth) : null,
                lot_ids: Object.values(form.lots).filter((id): id is number => id !== undefined),
                expired_anyway: form.expired_anyway,
                calibration_id: form.calibration_id,
                now_ms: Date.now(),
                note: form.note,
            },
            { ids: { site: props.site } },
        ),
    async (run) => {
        typedHere.settle()
        submission.value = newId()
        queries.setQueryData(['run', run.id], run)
        await queries.invalidateQueries({ queryKey: ['bench'] })
        await router.push(`/bench/runs/${run.id}`)
    },
)
/** What was refused since something else was taken under its name goes under another. */
watch(refusal, (said) => said?.status === 409 && (submission.value = newId()))
</script>

<template>
    <form novalidate @submit.prevent="save()">
        <TypedBefore :typed="typedHere" />
        <h2>Start a run</h2>
        <RefusalNote :refusal="refusal" />
        <FormField label="Method" :wrong="wrong('method_id')">
            <el-select
                :model-value="methodId ?? undefined"
                filterable
                @update:model-value="(id: number) => (methodId = id)"
            >
                <el-option v-for="one in bench.methods" :key="one.id" :value="one.id" :label="one.name" />
            </el-select>
        </FormField>
        <fieldset v-if="method">
            <legend>
                Portions
                <button type="button" class="link" @click="toggleAll">
                    {{ form.portions.length === shown.length && shown.length ? 'none' : 'all shown' }}
                </button>
            </legend>
            <p v-if="!shown.length" class="note">
                This method has read every bench portion. Show all to read one again.
            </p>
            <el-checkbox-group v-if="shown.length" v-model="form.portions" class="portions">
                <el-checkbox v-for="one in shown" :key="one.id" :value="one.id">
                    {{ one.code }}
                    <span class="note">{{ one.area }}{{ one.kind === 'archive' ? ', archive' : '' }}</span>
                </el-checkbox>
            </el-checkbox-group>
            <p v-if="wrong('portion_ids')" class="wrong" role="alert">{{ wrong('portion_ids') }}</p>
            <el-checkbox v-model="all">Show portions that this method has read, and archive portions</el-checkbox>
        </fieldset>
        <template v-if="method">
            <div class="row fields">
                <FormField label="Replicates of each" :wrong="wrong('replicates')">
                    <el-input-number v-model="form.replicates" :min="1" :max="6" />
                </FormField>
                <FormField v-if="method.celsius" label="Temperature, °C" :wrong="wrong('celsius')"
                    ><el-input v-model="form.celsius" name="celsius" inputmode="decimal"
                /></FormField>
                <FormField v-if="method.by_stokes" label="Depth of water, cm" :wrong="wrong('depth_cm')"
                    ><el-input v-model="form.depth" name="depth" inputmode="decimal"
                /></FormField>
            </div>
            <FormField
                label="Readers"
                :wrong="wrong('readers')"
                :hint="form.readers.length > 1 ? 'Each reads every tube, blind to the other.' : undefined"
            >
                <el-select
                    v-model="form.readers"
                    aria-label="Readers"
                    multiple
                    filterable
                    allow-create
                    default-first-option
                >
                    <el-option
                        v-for="reader in bench.readers"
                        :key="reader.name"
                        :value="reader.name"
                        :label="reader.name"
                    />
                </el-select>
            </FormField>
            <p v-if="blind.length" class="warning">
                <span>
                    {{ blind.join(' and ') }}: no colour-vision check that holds. Readings by eye are left out of the
                    verdict.
                    <RouterLink to="/bench/readers">Take the check</RouterLink>
                </span>
            </p>
            <div class="grid">
                <FormField v-for="condition in method.conditions" :key="condition.code" :label="condition.name">
                    <el-select v-model="form.said[condition.code]">
                        <el-option
                            v-for="option in condition.options"
                            :key="option.value"
                            :value="option.value"
                            :label="option.name"
                        />
                    </el-select>
                </FormField>
                <FormField v-for="reagent in method.reagents" :key="reagent" :label="`Lot of ${reagent}`">
                    <el-select v-model="form.lots[reagent]" clearable placeholder="not noted">
                        <el-option
                            v-for="lot in method.lots.filter((one) => one.reagent === reagent)"
                            :key="lot.id"
                            :value="lot.id"
                            :label="`${lot.lot}${expired(lot) ? `, expired ${day(lot.expires_on)}` : ''}`"
                        />
                    </el-select>
                </FormField>
            </div>
            <p v-for="words in broken" :key="words" class="warning">
                {{ words }}: readings of this run are left out of the verdict by rule.
            </p>
            <p v-if="usesExpired" class="warning">
                <el-checkbox v-model="form.expired_anyway"
                    >Use an expired lot knowingly: every reading is left out of the verdict</el-checkbox
                >
            </p>
            <FormField
                v-if="method.probe === 'ph'"
                label="Calibration of the pen"
                hint="One of this day, or the readings are left out."
            >
                <el-select v-model="form.calibration_id" clearable placeholder="none">
                    <el-option
                        v-for="one in calibrations ?? []"
                        :key="one.id"
                        :value="one.id"
                        :label="
                            `${one.instrument}, ${moment(one.at, timezone)}, slope ${number(one.slope_percent, 1)} ` +
                            `%${one.reasons.length ? ', not fit' : ''}`
                        "
                    />
                </el-select>
            </FormField>
            <div class="cautions">
                <p v-for="hazard in method.hazards" :key="hazard" class="note">{{ hazard }}</p>
                <p v-if="method.links.length" class="note">
                    <a
                        v-for="link in method.links"
                        :key="link.url"
                        :href="link.url"
                        rel="noopener noreferrer"
                        target="_blank"
                        >{{ link.name }}</a
                    >
                </p>
            </div>
            <el-button type="primary" native-type="submit" :loading="saving" :disabled="!tubes">
                {{ tubes ? `Start with ${count(tubes, 'tube')}` : 'Choose portions to start' }}
            </el-button>
        </template>
    </form>
</template>

<style scoped>
.portions {
    display: grid;
    grid-template-columns: 1fr 1fr;
    max-height: 210px;
    overflow: auto;
    border: 1px solid var(--hair);
    padding: 2px 8px;
    margin-bottom: 4px;
}
.portions :deep(.el-checkbox) {
    margin-right: 4px;
    overflow: hidden;
}
.fields {
    align-items: flex-start;
    gap: 16px;
}
.grid {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 16px;
}
.cautions p {
    margin-bottom: 2px;
}
.cautions {
    margin-bottom: 10px;
}
@media screen and (max-width: 700px) {
    .portions {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
