<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '@/api/client'
import PageHead from '@/shared/components/PageHead.vue'
import VerdictStone from '@/shared/components/VerdictStone.vue'
import { useSession } from '@/shared/composables/useSession'
import { useSite } from '@/shared/composables/useSite'
import ActionMatrix from './ActionMatrix.vue'
import ClaimPanel from './ClaimPanel.vue'
import LeftOut from './LeftOut.vue'
import SignDialog from './SignDialog.vue'
import StripTable from './StripTable.vue'

const CLAIMS = ['sort', 'rate', 'track'] as const
const route = useRoute()
const { me } = useSession()
const { timezone } = useSite()
const lines = useQuery({ queryKey: ['evidence'], queryFn: () => api.get('/evidence') })
const methodId = computed(() => Number(route.params.method) || (lines.data.value?.[0]?.method_id ?? null))
const chosen = computed(() => lines.data.value?.find(({ method_id: one }) => one === methodId.value) ?? null)
const { data: evidence } = useQuery({
    queryKey: ['evidence', methodId],
    enabled: () => chosen.value !== null && chosen.value.untested === null,
    queryFn: () => api.get('/evidence/{method}', { ids: { method: methodId.value ?? 0 } }),
})
const signing = ref<(typeof CLAIMS)[number] | null>(null)
const analyte = computed(() => (evidence.value?.method.analyte === 'ph' ? 'pH' : (evidence.value?.method.analyte ?? '')))
</script>

<template>
    <template v-if="chosen?.untested">
        <PageHead over="Evidence" :title="chosen.name" :lede="chosen.untested">
            <RouterLink to="/evidence">To the tests that can be judged</RouterLink>
        </PageHead>
        <p><VerdictStone verdict="untested" :size="36" /></p>
    </template>
    <template v-else-if="evidence && evidence.method.id === methodId">
        <PageHead
            :over="`${analyte}, measured against ${evidence.reference.name} on split portions, policy ${evidence.policy.version}`"
            :title="evidence.method.name"
        >
            <nav v-if="(lines.data.value?.length ?? 0) > 1" class="tests" aria-label="Tests">
                <RouterLink
                    v-for="line in lines.data.value"
                    :key="line.method_id"
                    :to="`/evidence/${line.method_id}`"
                    :aria-current="line.method_id === methodId ? 'page' : undefined"
                >
                    {{ line.name }}
                    <span>
                        <VerdictStone v-for="claim in CLAIMS" :key="claim" :verdict="line.claims[claim].computed" :size="17" quiet />
                    </span>
                </RouterLink>
            </nav>
        </PageHead>
        <div class="claims">
            <ClaimPanel
                v-for="claim in CLAIMS"
                :key="claim"
                :name="claim"
                :state="evidence.claims[claim]"
                :policy="evidence.policy"
                :timezone="timezone"
                :may-sign="(me?.may_sign ?? false) && evidence.pairs.length > 0"
                @sign="signing = claim"
            />
        </div>
        <div class="columns two">
            <div>
                <StripTable v-if="evidence.pairs.length" :evidence="evidence" />
                <p v-else class="lede">No pair yet. Read the bench portion and enter the lab’s pH of the same composite.</p>
                <LeftOut :evidence="evidence" />
            </div>
            <aside>
                <h2>Action matrix</h2>
                <ActionMatrix :matrix="evidence.matrix" :actions="evidence.policy.terms.actions" />
                <p v-if="evidence.kappa?.quadratic != null" class="note">
                    Agreement beyond chance, weighted kappa: {{ evidence.kappa.linear?.toFixed(2) ?? '–' }} linear,
                    {{ evidence.kappa.quadratic.toFixed(2) }} quadratic.
                </p>
                <p class="note">
                    An action is lime, leave or too high, by the limits of what grows there. Limits were set before the evidence was looked
                    at.
                </p>
                <p v-for="note in evidence.notes" :key="note" class="note">{{ note }}</p>
                <p v-if="!me?.may_sign" class="note">A reviewer signs what this page proves.</p>
            </aside>
        </div>
        <SignDialog v-if="signing" :evidence="evidence" :claim="signing" @done="signing = null" />
    </template>
    <p v-else-if="lines.data.value?.length === 0" class="lede">This team has no bench test yet.</p>
</template>

<style scoped>
.claims {
    display: grid;
    grid-template-columns: 1.15fr 1fr 1fr;
    gap: 28px;
    border-bottom: 1px solid var(--rule);
    padding-bottom: 12px;
    margin-bottom: 14px;
}
.claims > * + * {
    border-left: 1px solid var(--rule);
    padding-left: 20px;
}
.two {
    grid-template-columns: minmax(0, 1fr) 250px;
}
.tests {
    display: flex;
    gap: 18px;
}
.tests a {
    color: var(--ink);
    text-decoration: none;
    padding-bottom: 4px;
}
.tests a[aria-current] {
    color: var(--gley);
    font-weight: 600;
    box-shadow: 0 2px 0 var(--gley);
}
.tests a > span {
    display: flex;
    gap: 4px;
}
</style>
