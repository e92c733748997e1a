<script setup lang="ts">
import type { Schema } from '@/api/client'
import OneOf from '@/shared/components/OneOf.vue'
import { codeOf, type ConditionDraft } from '../definition'

/** What a run is asked, and which answers break the protocol. */
defineProps<{ breaks: Schema<'NamedCode'>[] }>()
const conditions = defineModel<ConditionDraft[]>({ required: true })

function add(): void {
    const code = codeOf(
        'condition',
        conditions.value.map((one) => one.code),
    )
    conditions.value = [
        ...conditions.value,
        {
            code,
            name: '',
            options: [
                { value: 'as-asked', name: 'as asked' },
                { value: 'otherwise', name: 'otherwise' },
            ],
        },
    ]
}
function addOption(condition: ConditionDraft): void {
    condition.options.push({
        value: codeOf(
            'answer',
            condition.options.map(({ value }) => value),
        ),
        name: '',
    })
}
</script>

<template>
    <div v-for="(condition, i) in conditions" :key="condition.code" class="condition">
        <el-input
            v-model="condition.name"
            size="small"
            class="name"
            :aria-label="`Condition ${i + 1}`"
            placeholder="What is asked"
        />
        <div class="options">
            <div v-for="(option, j) in condition.options" :key="option.value" class="option">
                <el-input
                    v-model="option.name"
                    size="small"
                    :aria-label="`Answer ${j + 1} to ${condition.name}`"
                    placeholder="An answer"
                />
                <OneOf
                    :model-value="option.breaks ?? ''"
                    :options="breaks.map(({ code, name }) => [code, name] as const)"
                    none="as asked"
                    :aria-label="`What ${condition.name}: ${option.name} breaks`"
                    @update:model-value="(code) => (code ? (option.breaks = code) : delete option.breaks)"
                />
                <button
                    v-if="condition.options.length > 2"
                    type="button"
                    class="link"
                    :aria-label="`Remove answer ${j + 1} to ${condition.name}`"
                    @click="condition.options.splice(j, 1)"
                >
                    remove
                </button>
            </div>
            <button type="button" class="link" @click="addOption(condition)">Another answer</button>
        </div>
        <button
            type="button"
            class="link"
            :aria-label="`Remove condition ${i + 1}`"
            @click="conditions = conditions.filter((one) => one !== condition)"
        >
            remove
        </button>
    </div>
    <button v-if="conditions.length < 8" type="button" class="link" @click="add">Another condition</button>
    <p class="note">
        Where practice is divided, as on tap water, say that it breaks nothing: the run still records it, and the
        evidence decides.
    </p>
</template>

<style scoped>
.condition {
    display: grid;
    grid-template-columns: 150px 1fr auto;
    gap: 14px;
    align-items: start;
    border-bottom: 1px solid var(--hair);
    padding: 6px 0;
}
.options {
    display: grid;
    gap: 4px;
    justify-items: start;
}
.option {
    display: grid;
    grid-template-columns: 240px 220px auto;
    gap: 8px;
    align-items: center;
}
</style>
