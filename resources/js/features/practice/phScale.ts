/** pH as ground: sour is dark humus, limy is pale chalk. Numbers stand beside every fill. */
const FILLS = [
    [5, '#6b4526'],
    [5.5, '#94683a'],
    [6, '#c49a5c'],
    [6.5, '#e2cf9c'],
    [7, '#d6dcc4'],
    [7.5, '#a9c3bb'],
    [Infinity, '#6d9fa0'],
] as const

export const STEPS = FILLS.map(([to, fill], i) => ({
    from: i ? FILLS[i - 1]![0] : -Infinity,
    fill,
    label: i === 0 ? `below ${to}` : to === Infinity ? `${FILLS[i - 1]![0]} and more` : `${FILLS[i - 1]![0]} to ${to}`,
}))

export const fillOf = (ph: number): string => FILLS.find(([to]) => ph < to)?.[1] ?? FILLS.at(-1)![1]
