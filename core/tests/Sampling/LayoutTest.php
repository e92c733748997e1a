<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Sampling\EarlierSpread;
use HonestCore\Sampling\Layout;
use HonestCore\Sampling\PlanMargin;
use HonestCore\Sampling\PlannedComposite;
use HonestCore\Sampling\PlannedCore;
use HonestCore\Sampling\PlannedLayer;
use HonestCore\Sampling\PlanSpec;
use HonestCore\Sampling\QualityCost;
use HonestCore\Sampling\RowCounts;
use HonestCore\Sampling\WalkTime;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Layout::class)]
#[CoversClass(PlanMargin::class)]
#[CoversClass(PlannedComposite::class)]
#[CoversClass(PlannedCore::class)]
#[CoversClass(PlannedLayer::class)]
#[CoversClass(QualityCost::class)]
#[CoversClass(RowCounts::class)]
final class LayoutTest extends TestCase
{
    private const GROUND = [
        'type' => 'Polygon',
        'coordinates' => [
            [[-76.282, 42.914], [-76.28, 42.914], [-76.28, 42.9155], [-76.282, 42.9155], [-76.282, 42.914]],
        ],
    ];

    public function test_legs_run_from_core_to_core_and_from_the_start_to_the_first(): void
    {
        $layout = Layout::of(self::GROUND, $this->spec(['start' => [-76.2825, 42.914]]));

        self::assertSame([12, 1, 12], [count($layout->cores), count($layout->composites), $layout->coresOf(1)]);
        self::assertGreaterThan(0, $layout->cores[0]->legM, 'the way in');
        $legs = array_sum(array_map(static fn (PlannedCore $core): float => (float) $core->legM, $layout->cores));
        $within = $legs - (float) $layout->cores[0]->legM;
        self::assertEqualsWithDelta($within, $layout->composites[0]->walkM, 1e-6, 'the way in is not the composite\'s');
        self::assertNull(Layout::of(self::GROUND, $this->spec())->cores[0]->legM, 'no start, no way in');
    }

    public function test_it_comes_back_from_its_row_unchanged(): void
    {
        $spec = $this->spec([
            'cell_acres' => 1.5,
            'pattern' => 'rows',
            'quality' => ['duplicates' => 1, 'hidden' => 2],
        ]);
        $layout = Layout::of(self::GROUND, $spec);
        $row = json_decode(json_encode($layout->toRow(), JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR);

        self::assertIsArray($row);
        self::assertEquals($layout, Layout::fromRow($row));
        self::assertNotNull($layout->rows, 'a plan across rows says how they are counted');
    }

    public function test_a_duplicate_lies_on_the_ground_it_doubles_with_cores_of_its_own(): void
    {
        $plain = Layout::of(self::GROUND, $this->spec(['cell_acres' => 1.5]));
        $layout = Layout::of(
            self::GROUND,
            $this->spec(['cell_acres' => 1.5, 'quality' => ['duplicates' => 2, 'hidden' => 1]]),
        );
        $own = count($plain->composites);
        $doubles = $layout->doubles();

        self::assertSame([$own + 1, $own + 2], array_keys($doubles));
        foreach ($doubles as $number => $of) {
            self::assertSame($layout->composites[$of - 1]->outline, $layout->composites[$number - 1]->outline);
            $places = static fn (int $composite): array => array_map(
                static fn (PlannedCore $core): array => [$core->longitude, $core->latitude],
                array_values(array_filter(
                    $layout->cores,
                    static fn (PlannedCore $core): bool => $core->composite === $composite,
                )),
            );
            self::assertCount($layout->coresOf($number), $places($number));
            self::assertSame([], array_uintersect(
                $places($number),
                $places($of),
                static fn (array $a, array $b): int => $a <=> $b,
            ));
        }
        self::assertGreaterThan($plain->walkM, $layout->walkM);
        self::assertGreaterThan($plain->minutes, $layout->minutes);
        self::assertSame([true, 1], [
            $layout->hides($layout->quality->hidden[0] ?? 0),
            count($layout->quality->hidden ?? []),
        ]);
        self::assertFalse($layout->hides($own + 5));
        self::assertSame($layout->coresOf($own + 1) + $layout->coresOf($own + 2), $layout->quality?->cores);
    }

    public function test_what_it_costs_counts_every_layer(): void
    {
        $layout = Layout::of(
            self::GROUND,
            $this->spec(['layers' => ['0-6in', '6-12in'], 'quality' => ['duplicates' => 1, 'hidden' => 1]]),
        );

        self::assertSame(4, $layout->quality?->samples, 'one of each kind, two layers');
        self::assertEqualsWithDelta(
            WalkTime::minutes($layout->composites[0]->walkM, 12, 2) + $layout->quality->minutes,
            $layout->minutes,
            1e-6,
        );
        self::assertCount(2, $layout->layers);
    }

    public function test_a_stated_spread_goes_before_an_earlier_one_and_that_before_the_usual(): void
    {
        $earlier = new EarlierSpread(0.5, 7);
        $of = fn (?float $stated, ?EarlierSpread $known): PlanMargin => Layout::of(
            self::GROUND,
            $this->spec(['ph_sd' => $stated]),
            $known,
        )->margin;

        self::assertSame(['stated', 0.2, 7], [$of(0.2, $earlier)->source, $of(0.2, $earlier)->sd, $of(0.2, $earlier)->composites]);
        self::assertSame(['earlier', 0.5, 7], [$of(null, $earlier)->source, $of(null, $earlier)->sd, $of(null, $earlier)->composites]);
        self::assertSame(['usual', 0], [$of(null, null)->source, $of(null, null)->composites]);
        $curve = Layout::of(self::GROUND, $this->spec())->marginCurve;
        self::assertSame([4, 6, 8, 10, 12, 15, 20, 25, 30, 40], array_keys($curve));
        self::assertSame($curve[12], Layout::of(self::GROUND, $this->spec())->margin->ph);
    }

    public function test_one_that_was_stored_before_there_were_outlines_has_none(): void
    {
        $row = Layout::of(self::GROUND, $this->spec(['cell_acres' => 1.5]))->toRow();
        self::assertIsArray($row['composites']);
        foreach (array_keys($row['composites']) as $i) {
            unset($row['composites'][$i]['outline']);
        }

        self::assertSame([], Layout::fromRow($row)->composites[0]->outline);
    }

    /** @param array<string, mixed> $other */
    private function spec(array $other = []): PlanSpec
    {
        return PlanSpec::fromRow($other + [
            'purpose' => 'routine',
            'layers' => ['0-6in'],
            'cores' => 12,
            'pattern' => 'random',
            'edge_m' => 3.0,
            'probe_mm' => 19.0,
            'seed' => 11,
        ]);
    }
}
