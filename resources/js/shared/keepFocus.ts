let held: Element | null = null

/** Where what had the focus is gone, such as a button that did its work, the page takes it: whoever uses keys is not lost. */
export function keepFocus(): void {
    document.addEventListener('focusin', ({ target }) => (held = target instanceof Element ? target : null))
    new MutationObserver(() => {
        if (!held || held.isConnected) return
        held = null
        if (document.activeElement === document.body || !document.activeElement)
            document.getElementById('main')?.focus({ preventScroll: true })
    }).observe(document.body, { childList: true, subtree: true })
}
