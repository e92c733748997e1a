<script setup lang="ts">
import { ref } from 'vue'
import { streamed, type Schema } from '@/api/client'
import FilePick from '@/shared/components/FilePick.vue'
import FormField from '@/shared/components/FormField.vue'
import { useSession } from '@/shared/composables/useSession'
import { number } from '@/shared/format'
import { useArchiveIn, useArchiveOut, useLines } from '../composables/useArchive'

/** The whole team out as one archive and in again, and the demo begun anew; each says how far it is. */
const { me } = useSession()
const out = useArchiveOut()
const into = useArchiveIn()
const file = ref<File | null>(null)
const name = ref('')
const email = ref('')
const demo = useLines()
const asking = ref(false)
async function reset(): Promise<void> {
    asking.value = false
    const end = await demo.run((tell) => streamed<Schema<'ArchiveLine'>>('/demo/reset', {}, undefined, tell))
    if (end?.ready) window.location.assign('/')
}
const MB = 1_000_000
</script>

<template>
    <div>
        <h2>The whole team</h2>
        <p>
            Its record, its people and its files as one archive, whose parts are described within it; passwords are not
            in it.
        </p>
        <el-button :loading="out.running.value" @click="out.make()">Write the archive</el-button>
        <div v-if="out.running.value" class="far">
            <progress :value="out.done.value" :max="out.of.value" aria-label="Parts written"></progress>
            <span role="status">{{ out.what.value }}</span>
        </div>
        <p v-if="out.wrong.value" class="wrong" role="alert">{{ out.wrong.value }}</p>
        <p v-if="out.made.value" class="note" role="status">
            {{ number((out.made.value.bytes ?? 0) / MB, 1) }} MB, head of the record {{ out.made.value.head }}.
            {{ out.made.value.fault ? `The record is not whole: ${out.made.value.fault}` : '' }}
        </p>
        <h2 class="next">In again</h2>
        <form novalidate @submit.prevent="file && into.bring(file, name, email)">
            <p>An archive becomes a team of its own here, whole or not at all, and the same, hash for hash.</p>
            <FormField label="Archive">
                <FilePick
                    accept=".zip,application/zip"
                    words="Choose an archive"
                    @change="(event: Event) => (file = (event.target as HTMLInputElement).files?.[0] ?? null)"
                />
            </FormField>
            <FormField label="Its name here" hint="Empty for its own" :wrong="into.fields.value.team?.[0]">
                <el-input v-model="name" name="archive-team" maxlength="80" style="max-width: 340px" />
            </FormField>
            <FormField
                label="Your address in that team"
                hint="One that no account here has yet; you are invited by it"
                :wrong="into.fields.value.email?.[0]"
            >
                <el-input v-model="email" name="archive-email" type="email" maxlength="200" style="max-width: 340px" />
            </FormField>
            <el-button native-type="submit" :disabled="!file" :loading="into.running.value">Take it in</el-button>
            <div v-if="into.running.value" class="far">
                <progress :value="into.done.value" :max="into.of.value" aria-label="Parts taken in"></progress>
                <span role="status">{{ into.what.value }}</span>
            </div>
            <p v-if="into.wrong.value && !Object.keys(into.fields.value).length" class="wrong" role="alert">
                {{ into.wrong.value }}
            </p>
            <p v-if="into.taken.value" class="taken" role="status">
                {{ into.taken.value.team }} is here. Come in by <a :href="into.taken.value.address">its invitation</a>,
                shown this once.
                {{
                    into.taken.value.without?.length
                        ? `These had an account here already, and come without a sign-in: ${into.taken.value.without.join(', ')}.`
                        : ''
                }}
            </p>
        </form>
        <template v-if="me?.of_demo">
            <h2 class="next">The demo</h2>
            <p>Begin it anew. What was done in it is put aside under another name; everybody signs in again.</p>
            <p v-if="asking" class="row">
                <el-button type="primary" @click="reset">Begin anew</el-button>
                <button type="button" class="link" @click="asking = false">Leave it</button>
            </p>
            <el-button v-else :loading="demo.running.value" @click="asking = true">Reset the demo</el-button>
            <div v-if="demo.running.value" class="far">
                <progress aria-label="The demo is being made"></progress>
                <span role="status">{{ demo.what.value }}</span>
            </div>
            <p v-if="demo.wrong.value" class="wrong" role="alert">{{ demo.wrong.value }}</p>
        </template>
    </div>
</template>

<style scoped>
.far {
    display: flex;
    gap: 10px;
    align-items: center;
    margin-top: 8px;
}
progress {
    width: 260px;
    accent-color: var(--gley);
}
.taken {
    background: var(--gley-wash);
    color: var(--gley-deep);
    padding: 8px 10px;
    margin-top: 8px;
}
.next {
    margin-top: 22px;
}
</style>
