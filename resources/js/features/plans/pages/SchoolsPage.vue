<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import MeasureField from '@/shared/components/MeasureField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { depth, number } from '@/shared/format'
import { unitOf } from '@/shared/measures'
import LayerChoice from '../components/LayerChoice.vue'
import { PATTERNS } from '../usual'
import { useSchoolsOf } from '../api'

const route = useRoute()
const queries = useQueryClient()
const { site, areas, units } = useSite()
const area = computed(() => areas.value.find((one) => one.id === Number(route.params.area)) ?? null)
const { data: lines } = useSchoolsOf(() => area.value?.id ?? null)
const walk = (code: string) => PATTERNS.find((one) => one.value === code)?.label.toLowerCase() ?? code
const base = computed(() => lines.value?.find((line) => line.school.code === site.value?.school)?.school ?? null)
const fitting = computed(() => lines.value?.filter((line) => line.fits_use) ?? [])
const lede = computed(() => {
    const samples = fitting.value.map((line) => line.samples)
    if (samples.length < 2) return 'No two schools speak of this use.'
    return (
        `${fitting.value.length} schools speak of ${area.value?.use_name}; they ask for ${Math.min(...samples)} to ` +
        `${Math.max(...samples)} samples here.`
    )
})
const editing = ref<Schema<'School'> | null>(null)
const form = reactive({
    name: '',
    acres: null as number | null,
    cores: [1, 1, 1],
    layers: [] as string[],
    pattern: '',
    cell_acres: null as number | null,
    why: '',
})
function edit(school: Schema<'School'>): void {
    clear()
    editing.value = school
    const { name, acres, cores, layers, pattern, cell_acres, why } = school
    Object.assign(form, { name, acres, cores: [...cores], layers: [...layers], pattern, cell_acres, why })
}
const { save, saving, refusal, wrong, clear } = useSave(
    () =>
        api.put(
            '/schools/{school}',
            {
                ...form,
                acres: form.acres ?? null,
                cell_acres: form.cell_acres ?? null,
                state: editing.value?.state,
            },
            { ids: { school: editing.value?.code ?? '' } },
        ),
    async () => {
        editing.value = null
        await queries.invalidateQueries({ queryKey: ['schools'] })
    },
)
async function makeDefault(code: string | null): Promise<void> {
    await api.put('/sites/{site}/school', { school: code }, { ids: { site: site.value?.id ?? 0 } })
    await queries.invalidateQueries()
}
</script>

<template>
    <template v-if="site && area && lines">
        <PageHead :over="`${site.name}, where the schools disagree`" :title="area.name" :lede="lede">
            <RouterLink :to="`/plans/${area.id}`">Back to the plan</RouterLink>
        </PageHead>
        <p v-if="base">
            Plans of this site begin with <strong>{{ base.name }}</strong>.
            <button type="button" class="link" @click="makeDefault(null)">With none</button>
        </p>
        <table class="plain">
            <thead>
                <tr>
                    <th>School</th>
                    <th>Depth</th>
                    <th>Walk</th>
                    <th class="num">Composites</th>
                    <th class="num">Cores each</th>
                    <th class="num">Samples</th>
                    <th class="num">Margin on pH</th>
                    <th>Against the site’s school</th>
                    <th><span class="sr">Change</span></th>
                </tr>
            </thead>
            <tbody>
                <tr
                    v-for="line in lines"
                    :key="line.school.code"
                    :class="{ other: !line.fits_use, chosen: line.school.code === site.school }"
                >
                    <td>
                        <strong>{{ line.school.name }}</strong>
                        <span class="note why"
                            >{{ line.fits_use ? '' : 'Made for other uses. ' }}{{ line.school.why
                            }}{{ line.school.changed ? ' Changed by this team.' : '' }}</span
                        >
                    </td>
                    <td>{{ line.school.layers.map(depth).join(', ') }}</td>
                    <td>{{ walk(line.school.pattern) }}</td>
                    <td class="num">{{ line.composites }}</td>
                    <td class="num">{{ line.school.cores[1] }}</td>
                    <td class="num">{{ line.samples }}</td>
                    <td class="num">± {{ number(line.margin_ph, 2) }}</td>
                    <td>{{ base ? line.differs.join('; ') || 'the same here' : 'none chosen yet' }}</td>
                    <td class="acts">
                        <button type="button" class="link" @click="makeDefault(line.school.code)">Begin with it</button>
                        <button type="button" class="link" @click="edit(line.school)">Edit</button>
                    </td>
                </tr>
            </tbody>
        </table>
        <el-dialog
            v-if="editing"
            :model-value="true"
            :title="`Edit ${editing.name}`"
            width="520"
            @close="editing = null"
        >
            <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
            <FormField label="Name" :wrong="wrong('name')"><el-input v-model="form.name" /></FormField>
            <div class="row">
                <FormField label="Fewest"
                    ><el-input-number v-model="form.cores[0]" :controls="false" size="small"
                /></FormField>
                <FormField label="Usual" :wrong="wrong('cores.1')"
                    ><el-input-number v-model="form.cores[1]" :controls="false" size="small"
                /></FormField>
                <FormField label="Most"
                    ><el-input-number v-model="form.cores[2]" :controls="false" size="small"
                /></FormField>
                <FormField :label="`Ground at most, ${unitOf('ground', units)}`" :wrong="wrong('acres')"
                    ><MeasureField v-model="form.acres" measure="ground"
                /></FormField>
                <FormField :label="`A cell, ${unitOf('ground', units)}`" :wrong="wrong('cell_acres')"
                    ><MeasureField v-model="form.cell_acres" measure="ground"
                /></FormField>
            </div>
            <div class="field">
                <span class="label">Layers</span>
                <LayerChoice v-model="form.layers" />
                <p v-if="wrong('layers')" class="wrong" role="alert">{{ wrong('layers') }}</p>
            </div>
            <FormField label="Walk">
                <OneOf
                    v-model="form.pattern"
                    size="default"
                    :options="PATTERNS.map(({ value, label }) => [value, label] as const)"
                />
            </FormField>
            <FormField label="Why" :wrong="wrong('why')"
                ><el-input v-model="form.why" type="textarea" :rows="2"
            /></FormField>
            <div class="row">
                <el-button type="primary" :loading="saving" @click="save()">Save the school</el-button>
                <button type="button" class="link" @click="editing = null">Leave it</button>
            </div>
        </el-dialog>
    </template>
</template>

<style scoped>
.why {
    display: block;
    max-width: 44ch;
}
.other {
    color: var(--ink-2);
}
.acts {
    white-space: nowrap;
}
.acts .link + .link {
    margin-left: 10px;
}
.row .el-input-number {
    width: 74px;
}
</style>
