<?php

declare(strict_types=1);

namespace Database\Seeders;

/** The ground and the season of the demo: Quill Hollow, a place that does not exist, in metres about its middle. */
final class QuillHollow
{
    public const MIDDLE = [-76.281, 42.915];

    /** name => use, history, ring */
    public const AREAS = [
        'Terrace beds above the house' => [
            'vegetables',
            'Limed in 2021. Compost every spring, dug in by hand.',
            [[-18, -62], [30, -70], [92, -58], [98, 4], [54, 14], [-8, 8], [-26, -20]],
        ],
        'Long Meadow, west slope' => [
            'pasture',
            'Never limed as far as anyone remembers. Mown for hay in June, grazed after.',
            [[-292, 72], [-190, 58], [-88, 66], [-42, 92], [-34, 190], [-52, 268], [-150, 286], [-282, 276]],
        ],
        'Old orchard below the barn' => [
            'orchard',
            'Wood ash under the trees until 2019. Grass between the rows.',
            [[14, 96], [88, 86], [168, 100], [176, 190], [150, 254], [60, 262], [4, 236], [0, 150]],
        ],
        'Blueberry rows by the creek' => [
            'blueberry',
            'Planted in 2018. Sulphur once, in 2020; pine bark each autumn.',
            [[152, -196], [232, -204], [296, -188], [302, -126], [226, -112], [148, -124]],
        ],
    ];

    /** name => geometry type, distance in metres, coordinates */
    public const LANDMARKS = [
        'Hollow Road, gravel' => [
            'LineString',
            91.44,
            [[-338, -300], [-330, -120], [-312, 40], [-316, 180], [-304, 320]],
        ],
        'Barn, old paint' => ['Polygon', 10.0, [[[112, 52], [140, 48], [144, 74], [116, 78], [112, 52]]]],
        'Quill Creek' => [
            'LineString',
            10.0,
            [[-40, -252], [40, -232], [120, -224], [200, -238], [290, -226], [350, -242]],
        ],
    ];

    public const PATTERNS = [
        'Terrace beds above the house' => ['zigzag', 15],
        'Long Meadow, west slope' => ['zigzag', 20],
        'Old orchard below the barn' => ['w', 18],
        'Blueberry rows by the creek' => ['random', 15],
        'Paddock by the gravel road' => ['zigzag', 15],
        'Azalea border under the rendered wall' => ['random', 15],
        'Raspberry canes past the pump' => ['w', 15],
        'Herb patch behind the pump house' => ['random', 15],
    ];

    /** Another site of the same crew: name => use, history, facts, ring. */
    public const TANSY_HILL = [
        'Azalea border under the rendered wall' => [
            'acid-shrubs',
            'Planted in 2023 along a wall that was rendered with lime in 2022.',
            ['textures' => ['loam']],
            [[-30, 20], [34, 17], [35, 36], [-30, 38]],
        ],
        'Raspberry canes past the pump' => [
            'orchard',
            'Canes since 2019. Wood shavings between the rows, nothing else.',
            ['textures' => ['loam']],
            [[-30, -40], [30, -44], [34, -12], [-28, -10]],
        ],
        'Herb patch behind the pump house' => [
            'vegetables',
            'New ground, turned over in spring.',
            [],
            [[44, -12], [68, -12], [68, 10], [44, 10]],
        ],
    ];

    /** What the lab found there: pH, Mehlich buffer, P, K, exchange capacity. */
    public const TANSY_RESULTS = [
        'Azalea border under the rendered wall' => ['7.16', '', '24', '96', '9.1'],
        'Raspberry canes past the pump' => ['5.21', '6.12', '22', '58', '7.4'],
    ];

    /** What the team pays: a bag, or in bulk a ton of 2,000 lb. */
    public const PRICES = [
        'limestone-calcitic' => 48, 'limestone-dolomitic' => 52, 'limestone-pelleted' => 7.4, 'wood-ash' => 12, 'sulphur' => 34,
        'gypsum' => 11.5, 'urea' => 27, 'ammonium-sulphate' => 19, 'calcium-nitrate' => 24, 'superphosphate' => 26,
        'triple-superphosphate' => 33, 'map' => 36, 'dap' => 35, 'muriate-of-potash' => 25, 'sulphate-of-potash' => 41,
        'potash-magnesia' => 29, 'blood-meal' => 62, 'bone-meal' => 38, 'zinc-sulphate' => 58, 'borate' => 74,
    ];

    /** An area of an earlier year: name, use, history, ring. */
    public const PADDOCK = [
        'Paddock by the gravel road',
        'pasture',
        'Road gravel, which is limestone, was spread over the west end when the road was widened. The east end '.
            'never had any.',
        [[-206, -226], [-84, -232], [-80, -128], [-200, -120]],
    ];

    /** What the lab found of all of it, pulled as one. */
    public const WHOLE = ['2024-04-22', '7.05'];

    /**
     * And of its cells, each pulled twice and measured twice: pH, Mehlich buffer, SMP buffer where the lab gives one.
     */
    public const CELLS = [
        '2024-09-17',
        [
            [['8.20', '8.18'], ['8.11', '8.13'], '', ''],
            [['7.58', '7.60'], ['7.67', '7.65'], '', ''],
            [['6.42', '6.39'], ['6.34', '6.36'], '6.47', '6.9'],
            [['5.90', '5.93'], ['5.98', '5.97'], '6.28', '6.6'],
        ],
    ];

    /**
     * One composite a row, in the order of the season: area, day pulled, cores that did not come up, kit band,
     * protocol breaks, lab pH, Mehlich buffer, SMP buffer. The lab gives buffers below pH 6.5.
     */
    public const SEASON = [
        ['Terrace beds above the house', '2026-04-14', 0, '6.5', [], '6.71', '', ''],
        ['Long Meadow, west slope', '2026-04-14', 2, '5.5', [], '5.62', '6.12', '6.5'],
        ['Old orchard below the barn', '2026-04-15', 0, '7.5', [], '7.44', '', ''],
        ['Blueberry rows by the creek', '2026-04-16', 0, '5.5', [], '6.10', '6.38', '6.8'],
        ['Terrace beds above the house', '2026-06-09', 0, '6.0', [], '5.98', '6.34', '6.7'],
        ['Long Meadow, west slope', '2026-06-09', 1, '5.5', [], '5.48', '6.05', '6.4'],
        ['Long Meadow, west slope', '2026-06-10', 0, '6.5', ['settled-short'], '5.71', '6.15', '6.5'],
        ['Old orchard below the barn', '2026-06-10', 0, '7.0', [], '7.08', '', ''],
        ['Old orchard below the barn', '2026-06-11', 1, '7.5', [], '7.52', '', ''],
        ['Blueberry rows by the creek', '2026-06-11', 0, '5.0', [], '5.14', '6.02', '6.3'],
        ['Terrace beds above the house', '2026-06-12', 0, '6.5', [], '6.42', '6.48', '6.9'],
        ['Terrace beds above the house', '2026-09-21', 0, '6.5', [], '6.08', '6.36', '6.7'],
        ['Long Meadow, west slope', '2026-09-21', 3, '5.5', [], '5.55', '6.08', '6.4'],
        ['Long Meadow, west slope', '2026-09-22', 0, '6.0', [], '6.12', '6.40', '6.8'],
        ['Old orchard below the barn', '2026-09-23', 0, '7.0', [], '6.84', '', ''],
        ['Old orchard below the barn', '2026-09-23', 0, '7.5', ['against-light', 'cloudy'], '6.66', '', ''],
        ['Blueberry rows by the creek', '2026-09-24', 0, '5.0', [], '4.92', '5.95', '6.2'],
        ['Blueberry rows by the creek', '2026-09-24', 1, '6.0', [], '5.84', '6.28', '6.6'],
    ];

    /** Nitrate N in ppm, two readings every 3 in from the row to mid-row. */
    public const TRANSECTS = [
        '2026-05-22' => [[9, 10], [11, 12], [12, 12], [12, 14], [13, 12], [12, 13]],
        '2026-06-16' => [[14, 15], [22, 25], [41, 44], [26, 23], [16, 17], [13, 12]],
        '2026-07-06' => [[8, 9], [12, 11], [19, 21], [13, 13], [10, 9], [9, 8]],
    ];

    /** day, kind, what, amount, unit */
    public const GROUND_EVENTS = [
        ['2026-05-28', 'rain', '', 0.4, 'in'],
        ['2026-06-05', 'application', 'Feather meal in a band a hand from the row', 60, 'lb/acre'],
        ['2026-06-11', 'rain', '', 0.7, 'in'],
        ['2026-06-24', 'rain', '', 1.6, 'in'],
        ['2026-06-30', 'rain', '', 0.9, 'in'],
    ];

    /** A lab with an interface, and one that is written to. */
    public const LABS = [
        'Fennick Soil Laboratory' => [
            'address' => '8 Kiln Street, Fennick',
            'email' => 'desk@fennick.example',
            'turnaround_days' => 8,
            'transit_days' => 2,
            'bag_ml' => 450,
            'quarantine' => '',
            'service' => true,
            'tests' => [
                [
                    'code' => 'ph',
                    'name' => 'pH in water',
                    'method' => '1:1 by volume',
                    'extractant' => 'water',
                    'unit' => 'pH',
                    'fee_cents' => 900,
                    'needs_ml' => 100,
                    'depth' => '0-6in',
                    'outside' => '',
                ],
                [
                    'code' => 'mehlich',
                    'name' => 'Mehlich buffer pH',
                    'method' => 'buffer',
                    'extractant' => '',
                    'unit' => 'pH',
                    'fee_cents' => 350,
                    'needs_ml' => 60,
                    'depth' => '0-6in',
                    'outside' => '',
                ],
                [
                    'code' => 'smp',
                    'name' => 'SMP buffer pH',
                    'method' => 'buffer',
                    'extractant' => '',
                    'unit' => 'pH',
                    'fee_cents' => 350,
                    'needs_ml' => 60,
                    'depth' => '0-6in',
                    'outside' => '',
                ],
                [
                    'code' => 'p',
                    'name' => 'phosphorus',
                    'method' => 'ICP',
                    'extractant' => 'Mehlich-3',
                    'unit' => 'ppm',
                    'fee_cents' => 600,
                    'needs_ml' => 40,
                    'depth' => '0-6in',
                    'outside' => '',
                ],
                [
                    'code' => 'k',
                    'name' => 'potassium',
                    'method' => 'ICP',
                    'extractant' => 'Mehlich-3',
                    'unit' => 'ppm',
                    'fee_cents' => 600,
                    'needs_ml' => 40,
                    'depth' => '0-6in',
                    'outside' => '',
                ],
                [
                    'code' => 'om',
                    'name' => 'organic matter',
                    'method' => 'loss on ignition',
                    'extractant' => '',
                    'unit' => '%',
                    'fee_cents' => 700,
                    'needs_ml' => 40,
                    'depth' => '0-6in',
                    'outside' => '',
                ],
                [
                    'code' => 'nitrate',
                    'name' => 'nitrate',
                    'method' => 'cadmium reduction',
                    'extractant' => '2 M KCl',
                    'unit' => 'ppm N',
                    'fee_cents' => 1100,
                    'needs_ml' => 150,
                    'depth' => '0-12in',
                    'outside' => 'KEEP COLD',
                ],
                [
                    'code' => 'lead',
                    'name' => 'lead',
                    'method' => 'total',
                    'extractant' => 'acid digestion',
                    'unit' => 'ppm',
                    'fee_cents' => 3400,
                    'needs_ml' => 100,
                    'depth' => null,
                    'outside' => 'LEAD TEST',
                ],
            ],
            'form' => [
                ['label' => 'Crop wanted', 'required' => true],
                ['label' => 'Last limed', 'required' => true],
                ['label' => 'Irrigated', 'required' => false],
            ],
            'columns' => [
                ['column' => 'Sample ID', 'field' => 'code'],
                ['column' => 'Depth', 'field' => 'depth'],
                ['column' => 'Tests', 'field' => 'tests'],
                ['column' => 'Irrigated', 'field' => 'irrigated'],
            ],
        ],
        'Alder Bank Laboratory' => [
            'address' => '31 Alder Bank, Wherrow',
            'email' => 'samples@alderbank.example',
            'turnaround_days' => 10,
            'transit_days' => 3,
            'bag_ml' => 350,
            'quarantine' => 'Wherrow lies beyond a quarantine line; ask for the permit number first.',
            'service' => false,
            'tests' => [
                [
                    'code' => 'ph',
                    'name' => 'pH in water',
                    'method' => '1:2',
                    'extractant' => 'water',
                    'unit' => 'pH',
                    'fee_cents' => 1050,
                    'needs_ml' => 80,
                    'depth' => '0-6in',
                    'outside' => '',
                ],
                [
                    'code' => 'mehlich',
                    'name' => 'Mehlich buffer pH',
                    'method' => 'buffer',
                    'extractant' => '',
                    'unit' => 'pH',
                    'fee_cents' => 400,
                    'needs_ml' => 60,
                    'depth' => '0-6in',
                    'outside' => '',
                ],
            ],
            'form' => [['label' => 'Permit number', 'required' => true]],
            'columns' => [
                ['column' => 'Your code', 'field' => 'code'],
                ['column' => 'Where', 'field' => 'area'],
                ['column' => 'Layer', 'field' => 'depth'],
                ['column' => 'Wanted', 'field' => 'tests'],
            ],
        ],
    ];

    public const HOLIDAYS = ['2026-05-25', '2026-07-03', '2026-09-07', '2026-11-26', '2026-12-25', '2027-01-01'];
}
