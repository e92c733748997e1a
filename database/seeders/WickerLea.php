<?php

declare(strict_types=1);

namespace Database\Seeders;

/**
 * Ground of the demo that was followed over five years, with what was spread on it. Every name and figure is invented.
 */
final class WickerLea
{
    public const SITE = [
        'name' => 'Wicker Lea',
        'letters' => 'WL',
        'address' => '9 Osier Lane, Wicker Lea',
        'timezone' => 'America/New_York',
        'units' => 'us',
        'school' => 'smallholding',
    ];

    /** name => use, history, facts, ring in metres */
    public const AREAS = [
        'Corn ground above the weir' => [
            'corn', 'Corn and beans by turns since 2015.', ['textures' => ['loam']],
            [[-70, -30], [60, -34], [64, 40], [-66, 44]],
        ],
        'Corn ground, strip along the willows' => [
            'corn', 'Left untreated since 2021.', ['textures' => ['loam']], [[66, -34], [80, -34], [82, 40], [68, 40]],
        ],
        'Bean rows under the sprinkler' => [
            'vegetables', 'Beans and squash, watered from the well all summer.', ['textures' => ['loam'], 'irrigated' => true],
            [[-70, 60], [0, 58], [2, 96], [-68, 98]],
        ],
        'Bean rows, last row by the hedge' => [
            'vegetables', 'Left unlimed since 2021; watered like the others.', ['textures' => ['loam'], 'irrigated' => true],
            [[6, 58], [20, 58], [22, 96], [8, 96]],
        ],
        'Heather bank below the old kiln' => [
            'acid-shrubs', 'Ash and mortar of the kiln lie under it.', ['textures' => ['loam']],
            [[30, 60], [84, 58], [86, 86], [32, 88]],
        ],
        'Heather bank, far end' => [
            'acid-shrubs', 'Left as it is since 2022.', ['textures' => ['loam']], [[88, 58], [100, 58], [102, 86], [90, 86]],
        ],
    ];

    /** treated => its control */
    public const CONTROLS = [
        'Corn ground above the weir' => 'Corn ground, strip along the willows',
        'Bean rows under the sprinkler' => 'Bean rows, last row by the hedge',
        'Heather bank below the old kiln' => 'Heather bank, far end',
    ];

    /** Between the retests a pen watches: day => what it read. */
    public const WATCHED = ['2026-05-12' => '6.58', '2026-07-14' => '6.55', '2026-09-08' => '6.36'];

    /** Until the round of this year it was the first lab, from then on the second. */
    public const OTHER_LAB_FROM = 2024;

    /** Which areas the second lab measures from then on. */
    public const OTHER_LAB_OF = ['Corn ground above the weir', 'Corn ground, strip along the willows'];

    /** day => area => pH, Mehlich buffer, P, K, CEC */
    public const ROUNDS = [
        '2021-10-12' => [
            'Corn ground above the weir' => ['5.62', '6.14', '13', '96', '9.2'],
            'Corn ground, strip along the willows' => ['5.66', '', '', '', ''],
            'Bean rows under the sprinkler' => ['5.64', '6.18', '31', '128', '8.8'],
            'Bean rows, last row by the hedge' => ['5.60', '', '', '', ''],
        ],
        '2022-10-11' => [
            'Corn ground above the weir' => ['6.49', '6.45', '14', '104', '9.3'],
            'Corn ground, strip along the willows' => ['5.62', '', '', '', ''],
            'Bean rows under the sprinkler' => ['6.38', '', '33', '125', '8.7'],
            'Bean rows, last row by the hedge' => ['6.33', '', '', '', ''],
            'Heather bank below the old kiln' => ['8.41', '', '22', '140', '14.0'],
            'Heather bank, far end' => ['8.44', '', '', '', ''],
        ],
        '2023-10-10' => [
            'Corn ground above the weir' => ['6.08', '6.28', '16', '101', '9.1'],
            'Corn ground, strip along the willows' => ['5.57', '', '', '', ''],
            'Bean rows under the sprinkler' => ['6.78', '', '32', '131', '8.9'],
            'Bean rows, last row by the hedge' => ['6.70', '', '', '', ''],
            'Heather bank below the old kiln' => ['8.38', '', '21', '138', '14.2'],
            'Heather bank, far end' => ['8.43', '', '', '', ''],
        ],
        '2024-10-15' => [
            'Corn ground above the weir' => ['6.71', '', '', '', ''],
            'Corn ground, strip along the willows' => ['5.79', '', '', '', ''],
            'Bean rows under the sprinkler' => ['7.02', '', '34', '127', '8.8'],
            'Bean rows, last row by the hedge' => ['6.96', '', '', '', ''],
        ],
        '2025-10-14' => [
            'Corn ground above the weir' => ['6.58', '', '', '', ''],
            'Corn ground, strip along the willows' => ['5.74', '', '', '', ''],
            'Bean rows under the sprinkler' => ['7.21', '', '33', '129', '8.9'],
            'Bean rows, last row by the hedge' => ['7.15', '', '', '', ''],
        ],
    ];

    /** day signed => area, crop, overrides, note */
    public const PROGRAMS = [
        '2021-11-08' => [
            ['Corn ground above the weir', 'corn', [], 'Limed before the winter.'],
            ['Bean rows under the sprinkler', 'beans-peas', [], 'One dressing before the winter.'],
        ],
        '2022-11-07' => [
            ['Heather bank below the old kiln', 'blueberry', [[
                'part' => 0,
                'key' => 'sulphur',
                'lb_per_acre' => 400,
                'reason' => 'The owner wants to try one dressing before the bank is replanted.',
            ]], 'Against the table, which stops here.'],
        ],
        '2023-11-06' => [
            ['Corn ground above the weir', 'corn', [], 'The second dressing.'],
        ],
    ];

    /** day spread by the day its program was signed */
    public const SPREAD = ['2021-11-08' => '2021-11-19', '2022-11-07' => '2022-11-16', '2023-11-06' => '2023-11-21'];

    public const WEATHER = ['2021-11-19' => 'dry, still', '2022-11-16' => 'cold, light wind', '2023-11-21' => 'dry after frost'];
}
