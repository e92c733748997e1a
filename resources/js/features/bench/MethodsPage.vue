<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { count } from '@/shared/format'
import BenchTabs from './BenchTabs.vue'

/** The team's bench methods, and the generic ones that it can take up. */
const router = useRouter()
const queries = useQueryClient()
const { siteId } = useSite()
const { data: bench } = useQuery({
    queryKey: ['bench', siteId],
    enabled: () => siteId.value !== null,
    queryFn: () => api.get('/bench', { query: { site_id: siteId.value ?? 0 } }),
})
const { data: library } = useQuery({ queryKey: ['bench-library'], staleTime: Infinity, queryFn: () => api.get('/bench/library') })
const KINDS: Record<string, string> = {
    bands: 'bands of a card',
    direction: 'direction only',
    drops: 'count of drops',
    continuous: 'a number',
    heights: 'heights in a jar',
}
const taking = ref<Schema<'LibraryMethod'> | null>(null)
const name = ref('')
function begin(method: Schema<'LibraryMethod'>): void {
    taking.value = method
    name.value = method.name
    clear()
}
const { save, saving, refusal, clear } = useSave(
    () =>
        api.post('/methods', {
            definition: { ...taking.value?.definition, name: name.value.trim() },
            why: 'Taken up from the generic methods.',
        }),
    async (method) => {
        taking.value = null
        await queries.invalidateQueries()
        await router.push(`/bench/methods/${method.id}`)
    },
)
const lede = computed(() =>
    bench.value
        ? `${count(bench.value.methods.length, 'bench method')} of the team’s own. A reading keeps the version it was made under.`
        : '',
)
</script>

<template>
    <PageHead over="Bench" title="Methods" :lede="lede"><BenchTabs /></PageHead>
    <div class="columns two">
        <section>
            <h2>The team’s</h2>
            <table class="plain">
                <thead>
                    <tr>
                        <th>Method</th>
                        <th>Reads</th>
                        <th class="num">Version</th>
                        <th class="num">Lots</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="method in bench?.methods ?? []" :key="method.id">
                        <td>
                            <RouterLink :to="`/bench/methods/${method.id}`">{{ method.name }}</RouterLink>
                        </td>
                        <td class="narrow">{{ KINDS[method.scale.kind] }}</td>
                        <td class="num">{{ method.version }}</td>
                        <td class="num">{{ method.lots.length || '–' }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
        <section>
            <h2>Generic ones</h2>
            <p class="note">Take one up under the name of your own kit, then set its steps, times, lots and colours as its leaflet says.</p>
            <form v-if="taking" novalidate class="take" @submit.prevent="save()">
                <RefusalNote :refusal="refusal" />
                <FormField label="Name it has here"><el-input v-model="name" name="name" /></FormField>
                <p class="note">{{ taking.source }}</p>
                <div class="row">
                    <el-button type="primary" native-type="submit" :loading="saving">Take it up</el-button>
                    <button type="button" class="link" @click="taking = null">Not now</button>
                </div>
            </form>
            <table class="plain">
                <tbody>
                    <tr v-for="method in library?.methods ?? []" :key="method.code">
                        <td>{{ method.name }}</td>
                        <td class="narrow">{{ KINDS[method.scale] }}</td>
                        <td class="num">
                            <button type="button" class="link" :aria-label="`Take up ${method.name}`" @click="begin(method)">
                                Take up
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.two {
    grid-template-columns: 1fr 1fr;
}
.take {
    border-left: 3px solid var(--gley);
    padding-left: 14px;
    margin-bottom: 14px;
}
</style>
