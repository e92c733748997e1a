<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { reactive, toRef } from 'vue'
import { api, type Schema } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import { useTyped } from '@/shared/composables/useTyped'
import { number } from '@/shared/format'

const props = defineProps<{ evidence: Schema<'Evidence'>; claim: 'sort' | 'rate' | 'track' }>()
const emit = defineEmits<{ done: [] }>()
const queries = useQueryClient()
const { me } = useSession()
const state = props.evidence.claims[props.claim]
const { test_from, test_to, reference_from, reference_to } = props.evidence.ranges
const readers = props.evidence.read_by.join(', ')
const { lots, seasons } = state.coverage
const names = (groups: typeof lots, kind: string): string =>
    groups
        .filter((group) => group.state === 'covered')
        .map(({ name }) => (name === '' ? 'readings that name no lot' : `${kind} ${name}`))
        .join(', ')
const covers = [names(lots, 'lot'), names(seasons, 'season')].filter(Boolean).join('; ')
const form = reactive({
    scope:
        `${props.evidence.method.name}${props.evidence.method.lot ? `, lot ${props.evidence.method.lot}` : ''}, ` +
        `read by ${readers || 'nobody yet'}; readings ${number(test_from, 1)} to ${number(test_to, 1)}, ` +
        `${props.evidence.reference.name} ${number(reference_from, 2)} to ${number(reference_to, 2)}.`,
    note: '',
    password: '',
})
const typedHere = useTyped(
    () => 'a verdict to sign',
    () => `sign-${props.evidence.method.id}-${props.claim}`,
    { scope: toRef(form, 'scope'), note: toRef(form, 'note') },
)
const { save, saving, refusal, wrong } = useSave(
    () =>
        api.post(
            '/evidence/{method}/verdicts',
            {
                claim: props.claim,
                hash: props.evidence.hash,
                reference_id: props.evidence.reference.id,
                records: props.evidence.records_alone,
                follows_id: state.signed?.id ?? null,
                ...form,
            },
            { ids: { method: props.evidence.method.id } },
        ),
    async () => {
        typedHere.settle()
        await queries.invalidateQueries()
        emit('done')
    },
)
async function again(): Promise<void> {
    await queries.invalidateQueries({ queryKey: ['evidence'] })
}
</script>

<template>
    <el-dialog :model-value="true" title="Sign the verdict" width="520" @close="emit('done')">
        <p class="what">
            <VerdictStone :verdict="state.computed.verdict" :size="36" quiet />
            <span>
                {{ evidence.method.name }}, {{ claim }}: <strong>{{ state.computed.verdict }}</strong>, on
                {{ evidence.pairs.total }} pairs, under policy {{ evidence.policy.version }}
            </span>
        </p>
        <p v-if="evidence.records_alone" class="note">
            It rests on records: how they were read is not known. The verdict begins with these words.
        </p>
        <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
        <p v-if="refusal?.status === 409">
            <button type="button" class="link" @click="again">Look at the evidence again</button>
        </p>
        <form novalidate @submit.prevent="save()">
            <TypedBefore :typed="typedHere" />
            <input type="text" name="username" autocomplete="username" :value="me?.email" hidden readonly />
            <FormField
                label="Where it holds"
                :wrong="wrong('scope')"
                hint="Outside these lots, readers and soils the verdict does not speak."
            >
                <el-input v-model="form.scope" type="textarea" :rows="3" name="scope" />
            </FormField>
            <FormField label="Note" :wrong="wrong('note')"
                ><el-input v-model="form.note" type="textarea" :rows="2" name="note"
            /></FormField>
            <FormField label="Your password, once more" :wrong="wrong('password')"
                ><el-input v-model="form.password" type="password" name="sign-password" autocomplete="current-password"
            /></FormField>
            <p>
                {{
                    covers
                        ? `It will speak for ${covers}, and for no other lot or season.`
                        : 'No lot and no season has pairs enough of its own: it will speak for none.'
                }}
            </p>
            <p class="note">Signed, it is never changed: only a new verdict can follow it.</p>
            <div class="row">
                <el-button type="primary" :loading="saving" native-type="submit"
                    >Sign as {{ state.computed.verdict }}</el-button
                >
                <button type="button" class="link" @click="emit('done')">Not yet</button>
            </div>
        </form>
    </el-dialog>
</template>

<style scoped>
.what {
    display: flex;
    gap: 12px;
    align-items: center;
    font: 16px/1.3 var(--serif);
}
</style>
