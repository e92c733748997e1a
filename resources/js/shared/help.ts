/** One page of help for each stage of the work, in the words that the pages use. */
export interface Help {
    stage: string
    title: string
    path: string
    first: string
    steps: string[]
    beware: string[]
}

export const HELP: Help[] = [
    {
        stage: 'areas',
        title: 'Areas',
        path: '/areas',
        first: 'Draw each piece of ground that is sampled apart, or bring its boundary in from a file.',
        steps: [
            'Draw an area corner by corner, or walk it with the arrow keys; Enter sets a corner.',
            'Name it by where it lies or what it is: a name that can be placed in ten years.',
            'Say what grows there: the limits of its pH hang on it. Say what it got, and what stood there.',
            'Draw roads, walls and water: cores are kept away from them.',
        ],
        beware: [
            'Ground with another history, another slope or another use is an area of its own.',
            'Potting mix is not soil; ground that nobody will grow in is not sampled.',
        ],
    },
    {
        stage: 'plans',
        title: 'Plans',
        path: '/plans',
        first: 'Choose an area, and say how deep, how many cores and in which walk.',
        steps: [
            'Begin with a school where you follow one, or set layers, cores and pattern yourself.',
            'Look at the margin on pH and at the price: more cores make the margin smaller, and cost time.',
            'Ask for duplicates where you want to know what sampling costs in certainty.',
            'Save the plan, set the day, print the field sheet or take it along on the phone.',
        ],
        beware: [
            'One composite over two histories hides both.',
            'A plan that was pulled is not changed: a new one is saved beside it.',
        ],
    },
    {
        stage: 'pull',
        title: 'Pull',
        path: '/pull',
        first: 'Take the plan along while there is signal; in the field it works without.',
        steps: [
            'Go from core to core; mark each pulled, moved or left out, with the reason.',
            'Pull to full depth, an even slice each time, into a clean plastic bucket; mix, dry, mix again.',
            'Finish the composite: its label is made, and what was unusual is kept with it.',
            'What was written without signal goes out by itself, once, when there is signal again.',
        ],
        beware: [
            'Have buried lines marked before you dig; mind traffic, stock and heat.',
            'Label the bag itself, at once, not only inside it.',
        ],
    },
    {
        stage: 'send',
        title: 'Send',
        path: '/send',
        first: 'Split the composite into portions, pack those for a lab, and follow them.',
        steps: [
            'Split: this lab, another lab, the bench, the archive, a hidden duplicate.',
            'Pack a consignment in the order of the lab’s form; print its list and labels.',
            'Scan bags as they are handed on: each step is a line in their custody that nobody changes.',
            'What is late or getting warm stands on Today.',
        ],
        beware: ['Nitrate goes cold and fast.', 'A request for lead is marked on the outside too.'],
    },
    {
        stage: 'bench',
        title: 'Bench',
        path: '/bench',
        first: 'Start a run: it leads through the steps, times them and keeps how it was really done.',
        steps: [
            'Choose the method and the portions; the page gives each tube its steps and clocks.',
            'Read blind: before the lab’s value is known, by somebody whose eyes were checked.',
            'A step that was broken is said, and the reading is left out by rule.',
            'What was read without a run is written down by hand.',
        ],
        beware: [
            'Distilled water, fresh reagents, light behind the reader.',
            'Gloves and goggles; the safety sheet at hand.',
        ],
    },
    {
        stage: 'reports',
        title: 'Reports',
        path: '/reports',
        first: 'Take a lab’s file: you see what it becomes before anything is stored.',
        steps: [
            'Choose the lab and the file; each column says what it was taken for.',
            'What is not certain is asked: units, extractants, codes. A guess is shown as one.',
            'Questions that a report raises wait until somebody answers them.',
            'Side by side shows all that was read of the same composites.',
        ],
        beware: ['Two extractants are never compared.', 'Below a limit is not zero.'],
    },
    {
        stage: 'evidence',
        title: 'Evidence',
        path: '/evidence',
        first: 'See what each test proves, pair by pair, against the lab.',
        steps: [
            'Sort: does it send us to the same action? Rate: can its number size one? Track: can it see a change?',
            'Each claim stands, falls, is open, untested or unable, with its bound.',
            'What would settle it says how many more pairs, and of which ground.',
            'Old records can be brought in, and say that they are.',
        ],
        beware: [
            'Agreement far from the limits proves nothing.',
            'The reference is not the truth: its own spread is shown.',
        ],
    },
    {
        stage: 'decide',
        title: 'Decide',
        path: '/decide',
        first: 'A reviewer signs a verdict for a claim, with its scope; it is never changed, only followed.',
        steps: [
            'Set limits and policy before the evidence is looked at.',
            'Sign on the page of the evidence; write where the verdict holds.',
            'Where evidence moves, or a lot or season ends, the register says so.',
            'What to buy next season weighs tests by what their mistakes cost.',
        ],
        beware: ['A verdict speaks for its test, lots, readers and soils, and for no other.'],
    },
    {
        stage: 'prescribe',
        title: 'Prescribe',
        path: '/prescribe',
        first: 'The program of an area: pH first, then phosphorus and potassium, then the rest.',
        steps: [
            'Choose the crop and what it is to bring; the needs follow from results that may size them.',
            'Take the proposed mix of products, or choose them yourself; days and parts follow.',
            'Sign it: it keeps the figures it rests on. Print it, or open an address for the grower.',
            'The shelf holds products and prices, the tables hold the rules, each with its source.',
        ],
        beware: [
            'Where no test may size a rate the page says what to test next, and gives none.',
            'Local rules and licensed advice go first.',
        ],
    },
    {
        stage: 'follow-up',
        title: 'Follow up',
        path: '/follow-up',
        first: 'Write down what was spread, leave a strip untreated, and look a year later whether it worked.',
        steps: [
            'The spreading log takes lines as planned in one tap, with no signal too.',
            'A series breaks where lab, extractant, layer or season changes.',
            'Did it work? says what was to be expected, what happened, and what could have been seen.',
            'The campaign puts retests into weeks, and into a calendar.',
        ],
        beware: ['A single point is no trend.', 'Without a control, rain and years look like lime.'],
    },
]
