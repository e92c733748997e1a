import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { watchEffect } from 'vue'
import { locale } from './format'

export type Scheme = 'auto' | 'light' | 'dark'
export const SCHEMES: [Scheme, string][] = [
    ['auto', 'as the device has it'],
    ['light', 'light, for the desk and the field'],
    ['dark', 'dark, for the bench and the barn'],
]

/** How this device shows the pages. */
export const scheme = useLocalStorage<Scheme>('honest-core:scheme', 'auto')

/** How numbers and days are written on this device; empty for what the browser says. */
export const writing = useLocalStorage('honest-core:locale', '')
export const WRITINGS = [
    'en-US',
    'en-GB',
    'da-DK',
    'de-DE',
    'es-ES',
    'fi-FI',
    'fr-FR',
    'it-IT',
    'nb-NO',
    'nl-NL',
    'pl-PL',
    'pt-BR',
    'sv-SE',
] as const

/** Keeps the pages in the scheme and the writing that were chosen, or in those of the device. */
export function followDevice(): void {
    watchEffect(() => (locale.value = writing.value || navigator.language))
    const dark = usePreferredDark()
    watchEffect(() => {
        const isDark = scheme.value === 'dark' || (scheme.value === 'auto' && dark.value)
        document.documentElement.dataset.scheme = isDark ? 'dark' : 'light'
    })
}
