<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, Refused, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { count, day, portionName } from '@/shared/format'
import { newId } from '@/shared/offline/store'
import { money } from '@/shared/money'
import { useLabs } from '@/shared/api'
import { useCheckSoils, useReadyPortions, useConsignmentDraft } from '../api'

/** Portions and tests for one lab; what it costs and what is missing is said while it is packed. */
interface Line {
    portion: Schema<'Portion'>
    tests: string[]
}
const router = useRouter()
const queries = useQueryClient()
const { siteId } = useSite()
const known = useLabs()
const soils = useCheckSoils()
const labId = ref<number | null>(null)
const lab = computed(
    () => known.data.value?.labs.find((one) => one.id === labId.value) ?? known.data.value?.labs[0] ?? null,
)
const ready = useReadyPortions()
const lines = ref<Line[]>([])
const usual = ref<string[]>([])
const answers = reactive<Record<string, string>>({})
const typed = ref('')
const said = ref('')
const soil = ref<number | null>(null)
let submission = newId()
watch(lab, (found) => (usual.value = found?.tests.slice(0, 1).map(({ code }) => code) ?? []), { immediate: true })

const typedHere = useTyped(
    () => 'a consignment',
    () => `consignment-${siteId.value}`,
    { labId, lines, answers },
)
const body = computed(() => ({
    lab_id: lab.value?.id ?? 0,
    portions: lines.value.map(({ portion, tests }) => ({ code: portion.code, tests })),
    answers: Object.entries(answers).map(([label, value]) => ({ label, value })),
}))
const draft = useConsignmentDraft(() => lab.value !== null, body)
const { save, saving, refusal } = useSave(
    () => api.post('/consignments', { ...body.value, submission }),
    async (made) => {
        typedHere.settle()
        await queries.invalidateQueries()
        await router.push(`/consignments/${made.id}`)
    },
)
/** What was refused since something else was taken under its name goes under another. */
watch(refusal, (said) => said?.status === 409 && (submission = newId()))
function put(portion: Schema<'Portion'>): void {
    if (lines.value.some((one) => one.portion.id === portion.id))
        said.value = `${portion.code} is in the consignment already: scanned twice?`
    else {
        const wanted = portion.tests.filter((test) => lab.value?.tests.some(({ code }) => code === test))
        lines.value = [...lines.value, { portion, tests: wanted.length ? wanted : [...usual.value] }]
        said.value = ''
    }
}
async function add(): Promise<void> {
    try {
        put(await api.get('/portions', { query: { code: typed.value } }))
        typed.value = ''
    } catch (error) {
        said.value = error instanceof Refused ? error.message : String(error)
    }
}
async function slipIn(): Promise<void> {
    try {
        put(
            await api.post(
                '/sites/{site}/check-portions',
                {
                    check_soil_id: soil.value!,
                    volume_ml: lab.value?.bag_ml ?? null,
                    tests: usual.value,
                    at: new Date().toISOString(),
                },
                { ids: { site: siteId.value! } },
            ),
        )
        soil.value = null
    } catch (error) {
        said.value = error instanceof Refused ? error.message : String(error)
    }
}
const left = computed(
    () => ready.data.value?.filter((one) => !lines.value.some(({ portion }) => portion.id === one.id)) ?? [],
)
</script>

<template>
    <PageHead
        over="Send"
        title="Pack a consignment"
        :lede="
            draft.data.value && lines.length
                ? `${count(lines.length, 'portion')}, ${money(draft.data.value.fee_cents)} in fees; sent today, the ` +
                  `report is expected on ${day(draft.data.value.expected_on)}.`
                : 'Choose the lab, then the portions and what is asked of them.'
        "
    >
        <RouterLink to="/send">Back to the ledger</RouterLink>
    </PageHead>
    <p v-if="known.data.value && !lab">No lab is known yet. <RouterLink to="/labs">Add the first</RouterLink></p>
    <div v-else-if="lab" class="columns two">
        <section>
            <TypedBefore :typed="typedHere" />
            <div class="row">
                <FormField label="Lab">
                    <el-select :model-value="lab.id" style="width: 230px" @update:model-value="labId = $event">
                        <el-option
                            v-for="one in known.data.value?.labs ?? []"
                            :key="one.id"
                            :value="one.id"
                            :label="one.name"
                        />
                    </el-select>
                </FormField>
                <form novalidate @submit.prevent="add">
                    <FormField label="Scan or type a code" :wrong="said || undefined"
                        ><el-input v-model="typed" name="code" style="width: 190px"
                    /></FormField>
                </form>
            </div>
            <table v-if="lines.length" class="plain">
                <thead>
                    <tr>
                        <th>Portion</th>
                        <th v-for="test in lab.tests" :key="test.code" class="tick">
                            {{ test.name }}<br />{{ money(test.fee_cents) }}
                        </th>
                        <th class="num">Needs</th>
                        <th><span class="sr">What may be done</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(line, i) in lines" :key="line.portion.id">
                        <td>
                            <strong>{{ line.portion.code }}</strong> {{ portionName(line.portion.kind) }},
                            {{ line.portion.state_name }}
                        </td>
                        <td v-for="test in lab.tests" :key="test.code" class="tick">
                            <input
                                v-model="line.tests"
                                type="checkbox"
                                :value="test.code"
                                :aria-label="`${test.name} of ${line.portion.code}`"
                            />
                        </td>
                        <td class="num">{{ draft.data.value?.contents[i]?.needs_ml ?? '' }} ml</td>
                        <td>
                            <button type="button" class="link" @click="lines = lines.filter((one) => one !== line)">
                                Take out
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
            <h2 v-if="left.length">Ready to go</h2>
            <ul class="ready">
                <li v-for="portion in left" :key="portion.id">
                    <button type="button" class="link" @click="put(portion)">Put in</button> {{ portion.code }},
                    {{ portion.area }},
                    {{ portion.state_name }}
                    <span class="note">{{ portionName(portion.kind) }}</span>
                </li>
            </ul>
            <p v-if="ready.data.value && !left.length && !lines.length">
                No portion is dry and at hand. <RouterLink to="/scan">Say what is dry</RouterLink>
            </p>
            <p class="row">
                <el-select v-model="soil" placeholder="Check soil" style="width: 190px" aria-label="Check soil">
                    <el-option v-for="one in soils.data.value ?? []" :key="one.id" :value="one.id" :label="one.name" />
                </el-select>
                <button type="button" class="link" :disabled="!soil" @click="slipIn">
                    Slip in a check soil under a number of its own
                </button>
            </p>
        </section>
        <aside>
            <h2>The lab’s form</h2>
            <FormField
                v-for="field in lab.form"
                :key="field.label"
                :label="field.required ? field.label : `${field.label}, if known`"
            >
                <el-input v-model="answers[field.label]" :name="field.label" />
            </FormField>
            <div v-if="draft.data.value?.warnings.length && lines.length" class="warning" role="status">
                <strong>Before it goes</strong>
                <ul>
                    <li v-for="(warning, i) in draft.data.value.warnings" :key="i">{{ warning.text }}</li>
                </ul>
            </div>
            <RefusalNote :refusal="refusal" />
            <p v-if="draft.error.value" class="wrong">{{ draft.error.value.message }}</p>
            <el-button type="primary" :disabled="!lines.length" :loading="saving" @click="save()">Pack it</el-button>
            <p class="note">
                Packing writes a line into the trail of each portion. What is warned of may be accepted, and stays with
                the consignment.
            </p>
        </aside>
    </div>
</template>

<style scoped>
.two {
    grid-template-columns: minmax(0, 1fr) 300px;
}
.tick {
    text-align: center !important;
    font-size: 11px;
}
.tick input {
    width: 18px;
    height: 18px;
    accent-color: var(--gley);
}
.ready {
    list-style: none;
    padding: 0;
}
.ready li {
    padding: 4px 0;
    border-bottom: 1px solid var(--hair);
}
.ready .link {
    margin-right: 10px;
}
.warning {
    display: block;
}
.warning ul {
    margin: 4px 0 0;
    padding-left: 16px;
}
</style>
