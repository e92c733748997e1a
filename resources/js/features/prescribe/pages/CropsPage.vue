<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Schema } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import OneOf from '@/shared/components/OneOf.vue'
import { useSite, useSiteOf } from '@/shared/composables/useSite'
import { rate } from '@/shared/format'
import { useCrops, useProgram, useProgramsOfCrops } from '../api'

/** Up to three crops wanted for the same ground, side by side, and where they pull apart. */
const MOST = 3
const route = useRoute()
const router = useRouter()
const { units } = useSite()
const areaId = computed(() => Number(route.params.area))
const own = useProgram(areaId, undefined)
useSiteOf(
    () => own.data.value?.site_id,
    () => void router.push('/prescribe'),
)
const all = useCrops()
const wanted = ref<string[]>([])
watch(
    () => own.data.value?.choices.crop,
    (crop) => {
        if (crop && !wanted.value.length) wanted.value = [crop]
    },
    { immediate: true },
)
const { data: it, error } = useProgramsOfCrops(areaId, wanted)
const named = computed(() =>
    (all.data.value ?? [])
        .filter((one) => !wanted.value.includes(one.code))
        .map((one) => [one.code, `${one.name} (${one.group})`] as const),
)
const adding = ref('')
watch(adding, (code) => {
    if (!code) return
    wanted.value = [...wanted.value, code].slice(0, MOST)
    adding.value = ''
})
const KEYS = ['lime', 'sulphur', 'p2o5', 'k2o', 'n'] as const
const NAMES: Record<string, string> = {
    lime: 'Lime, of the schools’ limestone',
    sulphur: 'Sulphur',
    p2o5: 'Phosphate, P2O5',
    k2o: 'Potash, K2O',
    n: 'Nitrogen, N',
}
const lineOf = (part: Schema<'ProgramPart'> | undefined, key: string): Schema<'ProgramLine'> | undefined =>
    part?.steps.flatMap(({ lines }) => lines).find((one) => one.key === key)
const said = (line: Schema<'ProgramLine'> | undefined): string => {
    if (!line) return '–'
    if (line.kind !== 'amount' || line.lb_per_acre === null) return line.what
    const { value, unit } = rate(line.lb_per_acre, units.value, line.key === 'lime')
    return `${value} ${unit}`
}
const parts = computed(() => it.value?.programs[0]?.parts ?? [])
</script>

<template>
    <PageHead
        :over="own.data.value?.site.name ?? ''"
        :title="`${own.data.value?.area.name ?? ''}: crops side by side`"
        lede="Up to three crops that are wanted on this ground, each by its usual yield."
    >
        <RouterLink :to="`/prescribe/${areaId}`">Back to the program</RouterLink>
    </PageHead>
    <p class="row no-print">
        <OneOf
            v-if="wanted.length < MOST"
            v-model="adding"
            class="add"
            :options="named"
            none="one more crop"
            aria-label="One more crop"
        />
    </p>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <template v-if="it">
        <div v-if="it.apart.length" class="warning">
            <strong>Where they pull apart.</strong>
            <ul>
                <li v-for="one in it.apart" :key="one">{{ one }}</li>
            </ul>
        </div>
        <p v-else-if="it.programs.length > 1" class="answer">They do not pull apart: one program can serve them.</p>
        <template v-for="(part, i) in parts" :key="part.number">
            <h2 v-if="parts.length > 1">{{ part.label }}</h2>
            <table class="plain">
                <thead>
                    <tr>
                        <th><span class="sr">What</span></th>
                        <th v-for="program in it.programs" :key="program.crop.code">
                            {{ program.crop.name }}
                            <button
                                v-if="it.programs.length > 1"
                                type="button"
                                class="link no-print"
                                @click="wanted = wanted.filter((code) => code !== program.crop.code)"
                            >
                                drop
                            </button>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    <tr>
                        <td>pH wanted</td>
                        <td v-for="program in it.programs" :key="program.crop.code">
                            {{ program.parts[i]?.wants.low }} to {{ program.parts[i]?.wants.high }}, sized for
                            {{ program.parts[i]?.wants.target }}
                        </td>
                    </tr>
                    <tr v-for="key in KEYS" :key="key">
                        <td>{{ NAMES[key] }}</td>
                        <td v-for="program in it.programs" :key="program.crop.code">
                            {{ said(lineOf(program.parts[i], key)) }}
                        </td>
                    </tr>
                    <tr>
                        <td></td>
                        <td v-for="program in it.programs" :key="program.crop.code" class="no-print">
                            <RouterLink :to="`/prescribe/${areaId}?crop=${program.crop.code}`">Its program</RouterLink>
                        </td>
                    </tr>
                </tbody>
            </table>
        </template>
    </template>
</template>

<style scoped>
.add {
    width: 280px;
}
ul {
    margin: 4px 0 0;
    padding-left: 18px;
}
.answer {
    font: 16px/1.3 var(--serif);
}
td,
th {
    max-width: 300px;
}
</style>
