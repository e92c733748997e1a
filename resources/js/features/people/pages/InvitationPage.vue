<script setup lang="ts">
import { reactive } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'
import OpenPage from '../components/OpenPage.vue'
import { useInvitation } from '../api'
import { ROLES } from '../words'

const route = useRoute()
const router = useRouter()
const { signedIn } = useSession()
const token = String(route.params.token)
const { data, error } = useInvitation(token)
const form = reactive({ name: '', new_password: '' })
const { save, saving, refusal, wrong } = useSave(
    () => api.post('/invitations/{token}', { ...form }, { ids: { token } }),
    async (me) => {
        await signedIn(me)
        await router.replace('/')
    },
)
const role = (code: string): string => ROLES.find(([one]) => one === code)?.[1] ?? code
</script>

<template>
    <OpenPage v-if="error" title="This invitation is not good any more" :lede="error.message" />
    <OpenPage
        v-else-if="data"
        :title="`Join ${data.team}`"
        :lede="`${data.by} invites you as ${role(data.role)}${data.administers ? '; you administer the team too' : ''}.`"
    >
        <form novalidate @submit.prevent="save()">
            <RefusalNote v-if="refusal && !Object.keys(refusal.fields).length" :refusal="refusal" />
            <p>
                You will sign in as <strong>{{ data.email }}</strong>.
            </p>
            <input type="text" name="username" autocomplete="username" :value="data.email" hidden readonly />
            <FormField label="Your name, as it stands under what you write" :wrong="wrong('name')">
                <el-input v-model="form.name" name="join-name" autocomplete="name" maxlength="120" />
            </FormField>
            <FormField
                label="A password"
                :wrong="wrong('new_password')"
                hint="10 characters at least; several words are easier to keep than odd signs"
            >
                <el-input
                    v-model="form.new_password"
                    type="password"
                    name="join-password"
                    autocomplete="new-password"
                />
            </FormField>
            <el-button type="primary" native-type="submit" :loading="saving">Join the team</el-button>
        </form>
    </OpenPage>
</template>
