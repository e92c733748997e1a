<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Schema } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import { forgetTyped } from '@/shared/composables/useTyped'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { count } from '@/shared/format'
import BenchTabs from '../components/BenchTabs.vue'
import type { Draft } from '../definition'
import MethodForm from '../components/MethodForm.vue'
import { useBench, useBenchLibrary } from '../api'

/** The team's bench methods, and the generic ones that it can take up. */
const router = useRouter()
const queries = useQueryClient()
const { siteId } = useSite()
const { data: bench } = useBench(siteId)
const { data: library } = useBenchLibrary()
const KINDS: Record<string, string> = {
    bands: 'bands of a card',
    direction: 'direction only',
    drops: 'count of drops',
    continuous: 'a number',
    heights: 'heights in a jar',
}
const draft = ref<Draft | null>(null)
const source = ref('')
function begin(method: Schema<'LibraryMethod'>): void {
    clear()
    source.value = method.source
    draft.value = JSON.parse(JSON.stringify(method.definition)) as Draft
}
const { save, saving, refusal, clear } = useSave(
    (why: string) => api.post('/methods', { definition: draft.value as unknown as Record<string, unknown>, why }),
    async (method) => {
        draft.value = null
        forgetTyped('method-new')
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
    <section v-if="draft">
        <h2>{{ draft.name }}</h2>
        <p class="note">{{ source }}</p>
        <MethodForm
            v-model="draft"
            fresh
            :analytes="library?.analytes ?? []"
            :breaks="library?.protocol_breaks ?? []"
            :refusal="refusal"
            :saving="saving"
            act="Take it up"
            @save="save"
            @leave="draft = null"
        />
    </section>
    <div v-else-if="bench && library" class="columns two">
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
            <p class="note">
                Take one up under the name of your own kit, with its steps, times, bands and colours as its leaflet
                says.
            </p>
            <table class="plain">
                <tbody>
                    <tr v-for="method in library?.methods ?? []" :key="method.code">
                        <td>{{ method.name }}</td>
                        <td class="narrow">{{ KINDS[method.scale] }}</td>
                        <td class="num">
                            <button
                                type="button"
                                class="link"
                                :aria-label="`Take up ${method.name}`"
                                @click="begin(method)"
                            >
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
</style>
