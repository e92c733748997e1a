import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { effectScope, nextTick, reactive, ref } from 'vue'
import { forgetTyped, moveTyped, unsaved, useTyped } from './useTyped'

const kept = new Map<string, string>()
const form = (stored = 'Sedge meadow') => {
    const parts = { form: reactive({ name: stored, use: 'pasture' }), slopes: ref<string[]>([]) }
    const scope = effectScope()
    const typed = scope.run(() =>
        useTyped(
            () => 'Sedge meadow',
            () => 'area-1',
            parts,
        ),
    )!
    return { ...parts, typed, leave: () => scope.stop() }
}

describe('what was typed', () => {
    beforeEach(() => {
        const store = {
            getItem: (key: string) => kept.get(key) ?? null,
            setItem: (key: string, value: string) => void kept.set(key, value),
            removeItem: (key: string) => void kept.delete(key),
        }
        globalThis.localStorage = new Proxy(store, {
            ownKeys: () => [...kept.keys()],
            getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
        }) as unknown as Storage
    })
    afterEach(() => {
        kept.clear()
        unsaved.clear()
    })

    it('comes back after the page was left, with when it was typed', () => {
        const first = form()
        expect([first.typed.changed.value, unsaved.size]).toEqual([false, 0])
        first.form.name = 'Sedge meadow, east'
        first.slopes.value = ['top']
        expect([first.typed.changed.value, [...unsaved.values()][0]?.name]).toEqual([true, 'Sedge meadow'])
        first.leave()
        expect(unsaved.size).toBe(0)
        const second = form()
        expect([second.form.name, second.form.use, second.slopes.value]).toEqual([
            'Sedge meadow, east',
            'pasture',
            ['top'],
        ])
        expect(second.typed.broughtBack.value).toMatch(/^20/)
        expect([second.typed.moved.value, unsaved.size]).toEqual([false, 1])
    })

    it('says that what is stored has changed since', () => {
        const first = form()
        first.form.name = 'Mine'
        first.leave()
        const second = form('Theirs')
        expect([second.form.name, second.typed.moved.value]).toEqual(['Mine', true])
        second.typed.drop()
        expect([second.form.name, second.typed.changed.value, kept.size]).toEqual(['Theirs', false, 0])
    })

    it('is forgotten once it is saved, typed back, dropped or signed out of', async () => {
        const one = form()
        one.form.name = 'Other'
        one.form.name = 'Sedge meadow'
        expect([kept.size, unsaved.size]).toEqual([0, 0])
        one.form.name = 'Other'
        one.typed.settle()
        await nextTick()
        expect([kept.size, unsaved.size, one.typed.changed.value]).toEqual([0, 0, false])
        one.form.name = 'Another'
        expect(kept.size).toBe(1)
        forgetTyped()
        expect(kept.size).toBe(0)
    })

    it('takes nothing for typed that the page put in while it was filled', () => {
        const one = form()
        one.form.name = 'As it is stored by now'
        expect(unsaved.size).toBe(1)
        one.typed.begin()
        expect([unsaved.size, kept.size, one.typed.changed.value, one.typed.broughtBack.value]).toEqual([
            0,
            0,
            false,
            null,
        ])
    })

    it('begins anew when the form is filled with another record', () => {
        const parts = { form: reactive({ name: '' }) }
        const id = ref(0)
        const typed = effectScope().run(() =>
            useTyped(
                () => 'A site',
                () => `site-${id.value}`,
                parts,
            ),
        )!
        id.value = 1
        parts.form.name = 'Quill Hollow'
        expect(kept.size).toBe(0)
        typed.begin()
        expect(typed.changed.value).toBe(false)
        parts.form.name = 'Quill'
        expect([...kept.keys()]).toEqual(['honest-core:typed:site-1'])
    })

    it('stands aside on practice ground, comes back from it, and goes with whoever signs out there', () => {
        const home = form()
        home.form.name = 'Sedge meadow, east'
        home.leave()
        const written = kept.get('honest-core:typed:area-1')
        moveTyped(true)
        expect(form().form.name).toBe('Sedge meadow')
        kept.set('honest-core:typed:area-9', 'typed in practice')
        moveTyped(false)
        expect([...kept.entries()]).toEqual([['honest-core:typed:area-1', written]])
        moveTyped(true)
        forgetTyped()
        expect(kept.size).toBe(0)
    })
})
