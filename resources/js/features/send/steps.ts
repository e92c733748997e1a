/** What is said of portions that have taken a step. */
export const STEPS: Record<string, string> = {
    drying: 'spread to dry',
    dried: 'taken up dry',
    chilled: 'chilled',
    frozen: 'frozen',
    packed: 'packed',
    unpacked: 'taken out again',
    sent: 'handed to the carrier',
    arrived: 'received',
    measured: 'measured',
    reported: 'reported',
    shelved: 'put on the shelf',
    checked: 'looked at',
    used_up: 'used up',
    discarded: 'discarded',
    lost: 'lost',
    found: 'found again',
}
