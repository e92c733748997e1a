<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api } from '@/api/client'
import FormField from '@/shared/components/FormField.vue'
import { useSave } from '@/shared/composables/useSave'
import { useTyped } from '@/shared/composables/useTyped'
import { day } from '@/shared/format'
import { useAddresses } from '../api'

/** Addresses that calendars subscribe to: shown once when they are opened, read until they are withdrawn. */
const queries = useQueryClient()
const { data } = useAddresses()
const name = ref('')
const opened = ref('')
const typedHere = useTyped(
    () => 'an address for a calendar',
    () => 'calendar-address',
    { name },
)
const open = computed(() => data.value?.filter(({ withdrawn_at }) => withdrawn_at === null) ?? [])
const opening = useSave(
    () => api.post('/calendar-addresses', { name: name.value }),
    async ({ address }) => {
        opened.value = `${window.location.origin}${address}`
        name.value = ''
        typedHere.settle()
        await queries.invalidateQueries({ queryKey: ['calendar-addresses'] })
    },
)
const withdrawing = useSave(
    (address: number) => api.post('/calendar-addresses/{address}/withdraw', undefined, { ids: { address } }),
    async () => {
        opened.value = ''
        await queries.invalidateQueries({ queryKey: ['calendar-addresses'] })
    },
)
</script>

<template>
    <section>
        <h2>In a calendar</h2>
        <p class="note">
            A calendar that subscribes to an address of this kind shows the retests of all sites from today on. Whoever
            has the address reads area and site names; withdraw it when it is no longer wanted.
        </p>
        <ul v-if="open.length">
            <li v-for="one in open" :key="one.id">
                {{ one.name }}, opened by {{ one.opened_by }} on {{ day(one.opened_at) }}.
                <button type="button" class="link" @click="withdrawing.save(one.id)">Withdraw</button>
            </li>
        </ul>
        <p v-if="opened" class="opened" role="status">
            Copy it now, it is shown this once: <code>{{ opened }}</code>
        </p>
        <form novalidate class="row" @submit.prevent="opening.save()">
            <FormField label="Whose calendar" :wrong="opening.wrong('name')"
                ><el-input v-model="name" name="calendar-name" maxlength="80"
            /></FormField>
            <el-button native-type="submit" :loading="opening.saving.value">Open an address</el-button>
        </form>
        <p v-if="withdrawing.message.value" class="wrong" role="alert">{{ withdrawing.message.value }}</p>
    </section>
</template>

<style scoped>
form {
    align-items: flex-end;
}
ul {
    margin: 0 0 8px;
    padding-left: 16px;
}
.opened code {
    overflow-wrap: anywhere;
    user-select: all;
}
</style>
