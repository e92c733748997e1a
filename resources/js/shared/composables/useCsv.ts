import { useLocalStorage } from '@vueuse/core'

/** In which form this device wants its CSV files. */
const form = useLocalStorage<'comma' | 'semicolon' | 'tab'>('honest-core:csv', 'comma')
const mark = useLocalStorage('honest-core:csv-mark', false)

export const CSV_FORMS = [
    ['comma', 'commas, decimals with a point'],
    ['semicolon', 'semicolons, decimals with a comma'],
    ['tab', 'tabs, decimals with a point'],
] as const

/** The address of a CSV with the form that was chosen. */
export function useCsv() {
    const csv = (address: string): string => {
        const asked = [
            ...(form.value === 'comma' ? [] : [`form=${form.value}`]),
            ...(mark.value ? ['mark=1'] : []),
        ].join('&')
        return asked ? `${address}${address.includes('?') ? '&' : '?'}${asked}` : address
    }
    return { form, mark, csv }
}
