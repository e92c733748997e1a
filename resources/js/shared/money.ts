/** An amount in hundredths, as 12.50; the currency is the lab's own. */
export function money(cents: number): string {
    return (cents / 100).toLocaleString('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 })
}
