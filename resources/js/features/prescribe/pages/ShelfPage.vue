<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, type Schema } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSite } from '@/shared/composables/useSite'
import { figure, mass, number } from '@/shared/format'
import { shownIn, unitOf } from '@/shared/measures'
import ProductForm from '../components/ProductForm.vue'
import { useShelf } from '../api'

/** The products that a mix is chosen from: generic ones ship, the team adds its own and sets prices. */
const { units } = useSite()
const { data: it, error, refetch } = useShelf()
const editing = ref<Schema<'ShelfProduct'> | 'new' | null>(null)
const route = useRoute()
watch(
    () => route.query.do,
    (what) => what === 'new' && (editing.value = 'new'),
    { immediate: true },
)
const putting = useSave(
    (code: string) => api.delete('/shelf/{product}', { ids: { product: code } }),
    () => refetch(),
)
const saved = async (): Promise<void> => {
    editing.value = null
    await refetch()
}
const lede = computed(() => {
    const bare = (it.value?.products ?? []).filter((one) => !one.off && one.price === null).length
    const all = (it.value?.products ?? []).filter((one) => !one.off).length
    return bare
        ? `${bare} of ${all} products on the shelf have no price yet; until all have one, the least mass decides.`
        : 'A mix is chosen by money among what is on the shelf.'
})
const GRADES: Record<string, string> = { ca: 'Ca', mg: 'Mg', s: 'S', zn: 'Zn', mn: 'Mn', cu: 'Cu', fe: 'Fe', b: 'B' }
const beside = (one: Schema<'ShelfProduct'>): string =>
    Object.entries(one.grades)
        .filter(([name]) => GRADES[name])
        .map(([name, value]) => `${figure(value)} ${GRADES[name]}`)
        .join(', ')
</script>

<template>
    <PageHead over="Products without brands; every one varies, so read the label" title="The shelf" :lede="lede">
        <RouterLink to="/prescribe">Programs</RouterLink>
        <el-button type="primary" @click="editing = 'new'">Add a product</el-button>
    </PageHead>
    <p v-if="error" class="wrong" role="alert">{{ error.message }}</p>
    <RefusalNote :refusal="putting.refusal.value" />
    <div v-if="it" class="scroll" tabindex="0" role="group" aria-label="Table">
        <table class="plain">
            <thead>
                <tr>
                    <th>Product</th>
                    <th>N-P2O5-K2O</th>
                    <th>Beside it, %</th>
                    <th class="num">Lime, % of pure</th>
                    <th class="num">A cup</th>
                    <th>Sold in</th>
                    <th class="num">Price</th>
                    <th>Organic</th>
                    <th><span class="sr">What may be done</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="one in it.products" :key="one.code" :class="{ off: one.off }">
                    <td>
                        {{ one.name }}
                        <span class="note block"
                            >{{ one.off ? 'not used in proposals; ' : ''
                            }}{{ one.own ? (one.ships ? 'changed by you' : 'your own') : 'as it ships' }}</span
                        >
                    </td>
                    <td>{{ one.grade }}</td>
                    <td>{{ beside(one) }}</td>
                    <td class="num">{{ one.effectiveness === null ? '' : number(one.effectiveness * 100) }}</td>
                    <td class="num">{{ one.lb_per_cup === null ? '–' : mass(one.lb_per_cup, units) }}</td>
                    <td>{{ one.bag_lb === null ? 'bulk' : `bags of ${mass(one.bag_lb, units)}` }}</td>
                    <td class="num">
                        {{
                            one.price === null
                                ? 'no price'
                                : one.bag_lb === null
                                  ? `${number(shownIn(one.price, 'each_load', units), 2)} ${unitOf('each_load', units)}`
                                  : `${number(one.price, 2)} a bag`
                        }}
                    </td>
                    <td>{{ one.organic ? 'yes' : '' }}</td>
                    <td>
                        <button type="button" class="link" @click="editing = one">Change</button>
                        <button v-if="one.own" type="button" class="link back" @click="putting.save(one.code)">
                            {{ one.ships ? 'Put back' : 'Take off' }}
                        </button>
                    </td>
                </tr>
            </tbody>
        </table>
    </div>
    <ProductForm
        v-if="editing && it"
        :product="editing === 'new' ? null : editing"
        :kinds="Object.keys(it.kinds)"
        @saved="saved"
        @close="editing = null"
    />
</template>

<style scoped>
.scroll {
    overflow-x: auto;
}
.block {
    display: block;
}
.off {
    color: var(--ink-2);
}
.back {
    margin-left: 12px;
}
</style>
