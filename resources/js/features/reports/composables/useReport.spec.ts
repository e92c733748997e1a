import { afterEach, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { api } from '@/api/client'
import { useReport, type Column } from './useReport'

vi.mock('@tanstack/vue-query', () => ({ useQueryClient: () => ({ invalidateQueries: () => Promise.resolve() }) }))
vi.mock('@/shared/composables/useSpreadsheet', () => ({
    useSpreadsheet: () => ({
        file: ref(new File(['x'], 'x.csv')),
        sheets: ref([]),
        sheet: ref(''),
        trouble: ref(''),
        open: () => undefined,
        choose: () => undefined,
    }),
}))
afterEach(() => void vi.restoreAllMocks())

it('reads again what was said while the file was being read, and loses none of it', async () => {
    const asked: { columns: Column[]; answer: (columns: Partial<Column>[]) => void }[] = []
    vi.spyOn(api, 'post').mockImplementation(
        ((_: string, body: FormData) =>
            new Promise((done) =>
                asked.push({
                    columns: (JSON.parse(String(body.get('mapping') ?? '{}')) as { columns?: Column[] }).columns ?? [],
                    answer: (columns) => done({ mapping: { columns, bulk_density: null } }),
                }),
            )) as unknown as typeof api.post,
    )
    const report = useReport(ref(1), ref('2026-10-01'))
    const column = (more: Partial<Column>): Column => ({ role: 'result', extractant: '', unit: '', ...more }) as Column
    report.columns.value = [column({ extractant: 'olsen' })]
    const first = report.again(true)
    report.columns.value = [column({ extractant: 'olsen', unit: 'ppm' })]
    void report.again(true)
    expect(asked).toHaveLength(1)
    asked[0]!.answer([column({ extractant: 'olsen' })])
    await vi.waitFor(() => expect(asked).toHaveLength(2))
    expect(report.columns.value[0]!.unit).toBe('ppm')
    expect(asked[1]!.columns[0]!.unit).toBe('ppm')
    asked[1]!.answer([column({ extractant: 'olsen', unit: 'ppm', form: 'P' })])
    await first
    expect(report.columns.value[0]!.form).toBe('P')
    expect(asked).toHaveLength(2)
})
