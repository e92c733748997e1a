<script setup lang="ts">
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useTyped } from '@/shared/composables/useTyped'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import DateField from '@/shared/components/DateField.vue'
import FormField from '@/shared/components/FormField.vue'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import { day, today } from '@/shared/format'
import { useRuleTables } from '../api'

/** The rule tables behind programs: what ships with its source, and figures of the team or the site in its place. */
const TITLES: Record<string, string> = {
    'wanted-crops': 'Crops: pH, limits, removal, nitrogen',
    'nutrient-limits': 'Phosphate and potash of field crops',
    'class-limits': 'Secondary nutrients and micronutrients',
    nitrogen: 'Nitrate test',
    sulphur: 'Sulphur',
    'lime-schools': 'Schools of lime, and dressings',
    'lime-smp': 'Lime by the SMP buffer',
    'metals-limits': 'Lead and arsenic',
    'program-rules': 'Days, layers, salts',
}
const route = useRoute()
const { me } = useSession()
const { site, siteId, timezone } = useSite()
const { data: tables, error, refetch } = useRuleTables(siteId)
const name = ref(typeof route.query.table === 'string' ? route.query.table : 'nutrient-limits')
const table = computed(() => tables.value?.find((one) => one.name === name.value))
const filter = ref('')
const rows = computed(() =>
    (table.value?.figures ?? []).filter(({ label }) => label.toLowerCase().includes(filter.value.toLowerCase())),
)
const DIGITS = 6
const told = (value: number, by: number): number => (by === 1 ? value : Number((value * by).toPrecision(DIGITS)))
const own = ref<Record<string, number | undefined>>({})
const about = reactive({ source: '', dated: today(timezone.value), site_only: false })
const typedHere = useTyped(
    () => TITLES[name.value] ?? 'a table',
    () => (table.value ? `table-${siteId.value}-${name.value}` : ''),
    { own, about },
)
watch(
    table,
    (to) => {
        own.value = {}
        for (const one of to?.figures ?? []) if (one.own !== null) own.value[one.path] = told(one.own, one.by)
        about.source = to?.change?.source ?? ''
        about.dated = to?.change?.dated ?? today(timezone.value)
        about.site_only = to?.change?.site_only ?? false
        typedHere.begin()
    },
    { immediate: true },
)
const saving = useSave(
    (changes: Record<string, number>) =>
        api.put(
            '/sites/{site}/rule-tables/{table}',
            { changes, ...about, state: table.value?.state },
            { ids: { site: siteId.value ?? 0, table: name.value } },
        ),
    () => {
        typedHere.settle()
        return refetch()
    },
)
const given = computed(() =>
    Object.fromEntries(
        Object.entries(own.value)
            .filter((one): one is [string, number] => typeof one[1] === 'number')
            .map(([path, value]) => [path, keptOf(path, value)]),
    ),
)
/** As it is kept, in the unit of the table; what was not touched stays just what it was. */
function keptOf(path: string, value: number): number {
    const one = table.value?.figures.find((figure) => figure.path === path)
    if (!one || one.by === 1) return value
    return one.own !== null && told(one.own, one.by) === value ? one.own : value / one.by
}
</script>

<template>
    <PageHead
        :over="site?.name ?? ''"
        title="Tables"
        lede="What programs compute with. A local table goes before what ships; each figure keeps its source and its day."
    >
        <RouterLink to="/prescribe">Programs</RouterLink>
    </PageHead>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <div v-if="table" class="columns frame">
        <nav aria-label="Tables">
            <button
                v-for="one in tables"
                :key="one.name"
                type="button"
                class="link"
                :aria-current="one.name === name ? 'true' : undefined"
                @click="name = one.name"
            >
                {{ TITLES[one.name] }}<span v-if="one.change" class="note block">with figures of your own</span>
            </button>
        </nav>
        <section>
            <h2>{{ TITLES[table.name] }}</h2>
            <p class="note" data-as-written>{{ table.source }}{{ table.dated ? ` Dated ${day(table.dated)}.` : '' }}</p>
            <p v-if="table.change" class="warning">
                Figures {{ table.change.site_only ? 'of this site' : 'of the team' }}: {{ table.change.source }},
                {{ day(table.change.dated) }}. Put in place by {{ table.change.by }},
                {{ day(table.change.at, timezone) }}.
            </p>
            <TypedBefore :typed="typedHere" />
            <RefusalNote :refusal="saving.refusal.value" />
            <template v-if="me?.role === 'reviewer'">
                <div class="row">
                    <FormField label="Where your figures are from" :wrong="saving.wrong('source')">
                        <el-input v-model="about.source" maxlength="300" />
                    </FormField>
                    <FormField label="Dated" :wrong="saving.wrong('dated')"
                        ><DateField v-model="about.dated"
                    /></FormField>
                    <el-checkbox v-model="about.site_only">For this site alone</el-checkbox>
                    <el-button
                        type="primary"
                        :disabled="!Object.keys(given).length"
                        :loading="saving.saving.value"
                        @click="saving.save(given)"
                        >Put in place</el-button
                    >
                    <el-button v-if="table.change" @click="saving.save({})">Put back what ships</el-button>
                </div>
            </template>
            <p v-else class="note">A reviewer puts figures in place.</p>
            <FormField label="Find"><el-input v-model="filter" class="find" size="small" /></FormField>
            <div class="list" tabindex="0" role="group" aria-label="List">
                <table class="plain">
                    <thead>
                        <tr>
                            <th>Figure</th>
                            <th class="num">As it ships</th>
                            <th class="num">Yours</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="one in rows.slice(0, 300)" :key="one.path">
                            <td>{{ one.label }}</td>
                            <td class="num">{{ told(one.shipped, one.by) }}</td>
                            <td class="num">
                                <el-input-number
                                    v-if="me?.role === 'reviewer'"
                                    v-model="own[one.path]"
                                    :controls="false"
                                    :min="0"
                                    size="small"
                                    :aria-label="one.label"
                                />
                                <template v-else>{{ one.own === null ? '' : told(one.own, one.by) }}</template>
                            </td>
                        </tr>
                    </tbody>
                </table>
            </div>
        </section>
    </div>
</template>

<style scoped>
.frame {
    grid-template-columns: 220px minmax(0, 1fr);
}
nav .link {
    display: block;
    text-align: left;
    padding: 5px 0 5px 8px;
    border-left: 3px solid transparent;
    text-decoration: none;
}
nav .link[aria-current] {
    border-left-color: var(--gley);
    color: var(--ink);
    background: var(--sheet);
}
.block {
    display: block;
}
.row {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 8px 14px;
    margin-bottom: 10px;
}
.row .field {
    margin: 0;
    min-width: 150px;
}
.row .field:first-child {
    min-width: 300px;
}
.find {
    width: 220px;
}
.list {
    max-height: 460px;
    overflow-y: auto;
    max-width: 620px;
}
.el-input-number {
    width: 90px;
}
@media (max-width: 760px) {
    .frame {
        display: block;
    }
}
</style>
