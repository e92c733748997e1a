let held: Element | null = null

/** Where what had the focus is gone, such as a button that did its work, the page takes it: whoever uses keys is not lost. */
export function keepFocus(): void {
    document.addEventListener('focusin', ({ target }) => (held = target instanceof Element ? target : null))
    new MutationObserver(() => {
        if (!held || held.isConnected) return
        held = null
        // What came in its place and asks for the focus itself goes first.
        requestAnimationFrame(() => requestAnimationFrame(take))
    }).observe(document.body, { childList: true, subtree: true })
}

function take(): void {
    if (document.activeElement === document.body || !document.activeElement)
        document.getElementById('main')?.focus({ preventScroll: true })
}
