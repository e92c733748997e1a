<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import FormField from '@/shared/components/FormField.vue'
import OneOf from '@/shared/components/OneOf.vue'
import PageHead from '@/shared/components/PageHead.vue'
import { number, plain, siteUnits } from '@/shared/format'
import { useReckoned, useReckoners } from '../api'

/** Each computation without any record, by typing or by link: the address holds what was typed. */
const route = useRoute()
const router = useRouter()
const tools = useReckoners(siteUnits)
const code = computed(() => (typeof route.params.tool === 'string' && route.params.tool ? route.params.tool : 'lime'))
const tool = computed(() => tools.data.value?.find((one) => one.code === code.value))
const given = ref<Record<string, string>>({})
watch(
    tool,
    (to) => {
        given.value = {}
        for (const field of to?.fields ?? []) {
            const linked = route.query[field.name]
            const begun = to?.fields.some(({ name }) => typeof route.query[name] === 'string')
            given.value[field.name] =
                typeof linked === 'string'
                    ? linked
                    : begun
                      ? ''
                      : field.example || field.default || field.choices[0] || ''
        }
    },
    { immediate: true },
)
const asked = refDebounced(
    computed(() =>
        Object.fromEntries(
            Object.entries(given.value).map(([name, text]) => [
                name,
                tool.value?.fields.find((field) => field.name === name)?.kind === 'number' ? plain(text) : text,
            ]),
        ),
    ),
    250,
)
const { data: found, error } = useReckoned(code, asked, siteUnits)
const LONGEST_LINK = 1500
watch(asked, (to) => {
    if (!tool.value) return
    const query = Object.fromEntries(Object.entries(to).filter(([, value]) => value !== ''))
    if (JSON.stringify(query).length < LONGEST_LINK) void router.replace({ path: `/reckoner/${code.value}`, query })
})
/** Every figure that came out, a name and a value a row. */
const rows = computed(() => {
    const flat: [string, string][] = []
    const walk = (name: string, value: unknown): void => {
        if (name.endsWith('reasons')) return
        if (Array.isArray(value) && value.every((one) => typeof one !== 'object' || one === null)) {
            if (value.length) flat.push([name, value.map(written).join(' to ')])
        } else if (Array.isArray(value)) {
            for (const [i, inner] of value.entries()) walk(`${name} ${called(inner) ?? i + 1}`, inner)
        } else if (typeof value === 'object' && value !== null) {
            for (const [key, inner] of Object.entries(value)) {
                if (inner !== called(value)) walk(name ? `${name} ${key}` : key, inner)
            }
        } else flat.push([name, written(value)])
    }
    walk('', found.value?.facts ?? {})
    return flat.map(([name, value]) => [name.replace(/_/g, ' '), value] as const)
})
/** What one of several is called, where it has a name of its own. */
const called = (value: unknown): string | undefined => {
    const row = value as Record<string, unknown> | null
    return [row?.school, row?.name, row?.form].find((one): one is string => typeof one === 'string')
}
const DECIMALS = 4
const decimals = (value: number): number => String(Number(value.toFixed(DECIMALS))).split('.')[1]?.length ?? 0
const written = (value: unknown): string =>
    value === null
        ? '–'
        : typeof value === 'number'
          ? number(value, decimals(value))
          : typeof value === 'boolean'
            ? value
                ? 'yes'
                : 'no'
            : String(value)
const reasons = computed(() => {
    const facts = found.value?.facts as { reasons?: string[]; schools?: { reasons: string[] }[] } | undefined
    return [...(facts?.reasons ?? []), ...(facts?.schools ?? []).flatMap((one) => one.reasons)]
})
</script>

<template>
    <PageHead
        over="Nothing here is stored, and nothing rests on a record"
        title="Reckoner"
        lede="Each computation by itself, with its working and its source; the address holds what was typed."
    >
        <RouterLink to="/prescribe">Programs</RouterLink>
    </PageHead>
    <div class="columns frame">
        <nav aria-label="Computations">
            <RouterLink
                v-for="one in tools.data.value"
                :key="one.code"
                :to="`/reckoner/${one.code}`"
                :aria-current="one.code === code ? 'true' : undefined"
                >{{ one.title }}</RouterLink
            >
        </nav>
        <section v-if="tool">
            <h2>{{ tool.asks }}</h2>
            <form class="fields" @submit.prevent>
                <FormField v-for="field in tool.fields" :key="field.name" :label="field.label" :class="field.kind">
                    <OneOf
                        v-if="field.kind === 'choice'"
                        v-model="given[field.name]!"
                        :options="field.choices.map((one) => [one, one || 'not said'] as const)"
                    />
                    <el-input
                        v-else
                        v-model="given[field.name]"
                        :type="field.kind === 'file' ? 'textarea' : 'text'"
                        :rows="6"
                        size="small"
                        :inputmode="field.kind === 'number' ? 'decimal' : undefined"
                    />
                </FormField>
            </form>
        </section>
        <section v-if="tool" aria-live="polite">
            <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
            <template v-else-if="found">
                <h2>Working</h2>
                <p v-for="line in found.working" :key="line" class="working">{{ line }}</p>
                <p v-for="reason in reasons" :key="reason" class="note">{{ reason }}</p>
                <h2>Figures</h2>
                <table class="plain">
                    <tbody>
                        <tr v-for="[name, value] in rows" :key="name">
                            <td>{{ name }}</td>
                            <td class="num">{{ value }}</td>
                        </tr>
                    </tbody>
                </table>
            </template>
            <h2>Source</h2>
            <p v-for="source in tool.sources" :key="source" class="note" data-as-written>{{ source }}</p>
            <p class="note">
                The same as <code>php artisan {{ tool.command }}</code
                >.
            </p>
        </section>
    </div>
</template>

<style scoped>
.frame {
    grid-template-columns: 150px minmax(0, 1fr) minmax(0, 1.2fr);
}
nav a {
    display: block;
    padding: 4px 0 4px 8px;
    border-left: 3px solid transparent;
    text-decoration: none;
}
nav a[aria-current] {
    border-left-color: var(--gley);
    background: var(--sheet);
    color: var(--ink);
}
.fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 16px;
    margin-top: 8px;
}
.file {
    grid-column: 1 / -1;
}
.working {
    font: 15px/1.35 var(--serif);
    font-feature-settings: 'lnum';
}
h2 + .working,
h2 + .note {
    margin-top: 6px;
}
section h2:not(:first-child) {
    margin-top: 14px;
}
.num {
    white-space: normal;
}
@media (max-width: 900px) {
    .frame {
        display: block;
    }
}
</style>
