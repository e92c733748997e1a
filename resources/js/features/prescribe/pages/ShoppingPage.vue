<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import PageHead from '@/shared/components/PageHead.vue'
import { useSite } from '@/shared/composables/useSite'
import { count, mass, number } from '@/shared/format'
import { useShoppingList } from '../api'

/** What all areas of the site need together: by what was signed, or by drafts before anything is. */
const { site, siteId, units } = useSite()
const drafts = ref(false)
const { data: it, error } = useShoppingList(siteId, drafts)
watch(it, (to) => {
    if (to && !drafts.value && to.signed === 0) drafts.value = true
})
const lede = computed(() =>
    drafts.value
        ? 'By what is chosen now; nothing of it is signed.'
        : `By ${count(it.value?.signed ?? 0, 'signed program')}. Bags are rounded up once for the whole site.`,
)
const print = (): void => window.print()
</script>

<template>
    <PageHead :over="site?.name ?? ''" title="Shopping list" :lede="lede">
        <RouterLink to="/prescribe">Programs</RouterLink>
        <RouterLink to="/shelf">The shelf</RouterLink>
        <el-button @click="print">Print</el-button>
    </PageHead>
    <el-checkbox v-model="drafts" class="no-print">By drafts, what would be bought</el-checkbox>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <template v-if="it">
        <p v-if="!it.lines.length" class="lede">
            Nothing is to be bought. <RouterLink to="/prescribe">Draft and sign a program first.</RouterLink>
        </p>
        <table v-else class="plain">
            <thead>
                <tr>
                    <th>Product</th>
                    <th class="num">In all</th>
                    <th class="num">To buy</th>
                    <th class="num">Money</th>
                    <th>For</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in it.lines" :key="one.product">
                    <td>{{ one.name }}</td>
                    <td class="num">{{ mass(one.lb, units) }}</td>
                    <td class="num">
                        {{
                            one.bags === null || one.bag_lb === null
                                ? 'bulk'
                                : `${count(one.bags, 'bag')} of ${mass(one.bag_lb, units)}`
                        }}
                    </td>
                    <td class="num">{{ one.cost === null ? 'no price' : number(one.cost, 2) }}</td>
                    <td>
                        {{ one.for.map((to) => `${to.area} ${mass(to.lb, units)}`).join('; ') }}
                    </td>
                </tr>
            </tbody>
            <tfoot v-if="it.cost !== null">
                <tr>
                    <td colspan="3">All that has a price</td>
                    <td class="num">
                        <strong>{{ number(it.cost, 2) }}</strong>
                    </td>
                    <td></td>
                </tr>
            </tfoot>
        </table>
        <p v-if="it.without_price.length" class="note">
            Without a price: {{ it.without_price.join(', ') }}. Set prices on the shelf.
        </p>
    </template>
</template>

<style scoped>
tfoot td {
    padding: 8px 10px 8px 0;
    border-top: 1px solid var(--ink);
}
</style>
