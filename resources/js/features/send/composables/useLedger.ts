import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useCsv } from '@/shared/composables/useCsv'
import { useLedgerPage } from '../api'

export const FILTERS = [
    'q',
    'site_id',
    'area_id',
    'year',
    'kind',
    'state',
    'lab_id',
    'read',
    'deviates',
    'from',
    'to',
] as const
export type Filter = (typeof FILTERS)[number]

/** The ledger as the address says: its filters and page can be kept, shared and gone back to. */
export function useLedger() {
    const route = useRoute()
    const router = useRouter()
    const asked = computed<Record<string, string>>(() =>
        Object.fromEntries(
            [...FILTERS, 'page' as const]
                .map((key) => [key, String(route.query[key] ?? '')])
                .filter(([, value]) => value !== ''),
        ),
    )
    const ledger = useLedgerPage(asked)
    const set = (change: Partial<Record<Filter | 'page', string>>) =>
        router.replace({
            query: Object.fromEntries(
                Object.entries({ ...asked.value, page: '', ...change }).filter(([, value]) => value !== ''),
            ),
        })
    const { csv: inForm } = useCsv()
    const csv = computed(() =>
        inForm(`/api/ledger.csv?${new URLSearchParams(Object.entries(asked.value).filter(([key]) => key !== 'page'))}`),
    )
    return { asked, ledger, set, csv }
}
