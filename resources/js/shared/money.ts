import { number } from './format'

/** An amount in hundredths, as 12.50; the currency is the lab's own. */
export function money(cents: number): string {
    return number(cents / 100, 2)
}
