<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Error\BadField;
use HonestCore\Geometry\Boundary;
use HonestCore\Sampling\DepthStack;
use HonestCore\Sampling\KeptAway;
use HonestCore\Sampling\PlanSpec;
use HonestCore\Sampling\QualityAsked;
use HonestCore\Sampling\RowPlan;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(PlanSpec::class)]
#[CoversClass(KeptAway::class)]
#[CoversClass(QualityAsked::class)]
#[CoversClass(RowPlan::class)]
final class PlanSpecTest extends TestCase
{
    private const ROW = [
        'purpose' => 'routine',
        'school' => 'lawn',
        'layers' => ['0-6in'],
        'cores' => 12,
        'pattern' => 'rows',
        'cell_acres' => 2.5,
        'cell_mode' => 'middle',
        'rows' => ['spacing_m' => 0.75, 'bearing_deg' => 90.0],
        'zones' => null,
        'start' => [-76.281, 42.915],
        'speed_km_per_h' => 4.5,
        'seconds_per_core' => 30.0,
        'edge_m' => 5.0,
        'probe_mm' => 19.0,
        'seed' => 7,
        'ph_sd' => 0.4,
        'kept_reason' => 'one crop',
        'quality' => ['duplicates' => 1, 'hidden' => 2],
        'keep_away' => [
            [
                'landmark_id' => 3,
                'name' => 'ash heap',
                'distance_m' => 10.0,
                'geometry' => ['type' => 'Point', 'coordinates' => [-76.281, 42.915]],
            ],
        ],
    ];

    private const GROUND = '{"type":"Polygon","coordinates":[[[-76.282,42.914],[-76.28,42.914],[-76.28,42.9155],'.
        '[-76.282,42.9155],[-76.282,42.914]]]}';

    public function test_it_comes_back_from_its_row_unchanged(): void
    {
        self::assertSame(self::ROW, PlanSpec::fromRow(self::ROW)->toRow());
    }

    public function test_another_seed_is_all_that_differs(): void
    {
        self::assertSame(['seed' => 8] + self::ROW, ['seed' => 8] + PlanSpec::fromRow(self::ROW)->with(8)->toRow());
        self::assertSame(8, PlanSpec::fromRow(self::ROW)->with(8)->seed);
    }

    public function test_cells_or_zones_part_the_ground_and_nothing_else_does(): void
    {
        self::assertTrue(PlanSpec::fromRow(self::ROW)->parts());
        self::assertFalse(PlanSpec::fromRow(['cell_acres' => null] + self::ROW)->parts());
    }

    public function test_what_the_placing_is_asked_follows_from_it(): void
    {
        $ground = Boundary::fromGeoJson(self::GROUND);
        $asked = PlanSpec::fromRow(self::ROW)->on($ground, DepthStack::parse(['0-6in']));

        self::assertEqualsWithDelta(2.5 * 4046.8564224, (float) $asked->cellM2, 1e-6, 'acres are 4046.8564224 m²');
        self::assertSame([true, 0.75, 12, 7], [$asked->roundMiddle, $asked->rows?->spacingM, $asked->cores, $asked->seed]);
        self::assertNotNull($asked->start);
        $over = PlanSpec::fromRow(['cell_mode' => 'over', 'start' => null, 'rows' => null] + self::ROW)
            ->on($ground, DepthStack::parse(['0-6in']));
        self::assertSame([false, null, null], [$over->roundMiddle, $over->start, $over->rows]);
    }

    public function test_a_row_that_lacks_a_field_is_refused(): void
    {
        $this->expectException(BadField::class);
        $this->expectExceptionMessage('"seed"');
        PlanSpec::fromRow(array_diff_key(self::ROW, ['seed' => 0]));
    }
}
