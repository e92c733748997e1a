import { onScopeDispose, shallowReactive } from 'vue'

interface Shortcut {
    key: string
    what: string
    act: () => void
}

/** The shortcuts that work on the page in view; listed under "?". */
export const shortcuts = shallowReactive<Set<Shortcut>>(new Set())

const typing = (target: EventTarget | null): boolean =>
    target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

window.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return
    // A key that presses what has the focus is left to it.
    if (
        event.key === ' ' &&
        event.target instanceof Element &&
        event.target.closest('button, a, summary, label, [role="button"], canvas')
    )
        return
    for (const shortcut of [...shortcuts].reverse()) {
        if (shortcut.key === event.key) {
            event.preventDefault()
            shortcut.act()
            return
        }
    }
})

export function useShortcut(key: string, what: string, act: () => void): void {
    const shortcut = { key, what, act }
    shortcuts.add(shortcut)
    onScopeDispose(() => shortcuts.delete(shortcut))
}
