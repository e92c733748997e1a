const sheet = new CSSStyleSheet()

/** Writes whose papers these are into the foot of every printed page. */
export function signPapers(whose: string): void {
    if (!document.adoptedStyleSheets.includes(sheet)) document.adoptedStyleSheets.push(sheet)
    const text = JSON.stringify(whose).replace(/\\u/g, '\\')
    sheet.replaceSync(`@media print { @page { @bottom-left { content: ${text}; font: 9pt sans-serif } } }`)
}
