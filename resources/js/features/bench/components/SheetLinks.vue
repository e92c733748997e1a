<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import TypedBefore from '@/shared/components/TypedBefore.vue'
import { useSave } from '@/shared/composables/useSave'
import { useTyped } from '@/shared/composables/useTyped'

/** Where the team keeps the safety data sheets of a method's reagents. */
const props = defineProps<{ method: Schema<'MethodDetail'> }>()
const queries = useQueryClient()
const [name, url] = [ref(''), ref('')]
const typedHere = useTyped(
    () => 'a data sheet',
    () => `sheet-${props.method.id}`,
    { name, url },
)
const { save, saving, refusal } = useSave(
    (links: Schema<'SheetLink'>[]) =>
        api.put('/methods/{method}/links', { links }, { ids: { method: props.method.id } }),
    async (method) => {
        ;[name.value, url.value] = ['', '']
        typedHere.settle()
        queries.setQueryData(['method', props.method.id], method)
        await queries.invalidateQueries({ queryKey: ['bench'] })
    },
)
</script>

<template>
    <ul class="links">
        <li v-for="(link, i) in method.links" :key="link.url">
            <a :href="link.url" rel="noopener noreferrer" target="_blank">{{ link.name }}</a>
            <button
                type="button"
                class="link"
                :aria-label="`Remove ${link.name}`"
                @click="save(method.links.filter((_, j) => j !== i))"
            >
                remove
            </button>
        </li>
    </ul>
    <RefusalNote :refusal="refusal" />
    <TypedBefore :typed="typedHere" />
    <form class="row" novalidate @submit.prevent="save([...method.links, { name: name.trim(), url: url.trim() }])">
        <el-input v-model="name" aria-label="Name of the data sheet" placeholder="Data sheet of" style="width: 150px" />
        <el-input v-model="url" aria-label="Address of the data sheet" placeholder="Its address" style="width: 230px" />
        <el-button native-type="submit" :loading="saving">Add the link</el-button>
    </form>
</template>

<style scoped>
.links {
    list-style: none;
    padding: 0;
    margin: 0 0 6px;
}
.links button {
    margin-left: 8px;
}
</style>
