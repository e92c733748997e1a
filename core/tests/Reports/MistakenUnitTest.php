<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Reports\MistakenUnit;
use HonestCore\Reports\SeriesHistory;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MistakenUnitTest extends TestCase
{
    /** @return iterable<string, array{string, float, string}> analyte, ratio, words */
    public static function ratios(): iterable
    {
        yield 'tenfold' => ['p', 10.2, 'read as mg/100 g'];
        yield 'a tenth' => ['zn', 0.099, 'mg/100 g read as ppm'];
        yield 'pounds' => ['mg', 1.8, 'pounds an acre (to 6 in) read as ppm'];
        yield 'ppm as pounds' => ['mg', 1 / 1.8, 'ppm read as pounds an acre'];
        yield 'the oxide' => ['p', 2.2914, 'P2O5 read as P'];
        yield 'the element' => ['k', 1 / 1.2046, 'K read as K2O'];
        yield 'kilograms a hectare' => ['k', 2.24, 'kilograms a hectare read as ppm'];
        yield 'nitrate' => ['no3n', 4.43, 'nitrate read as its nitrogen'];
        yield 'carbon' => ['om', 0.58, 'organic carbon read as organic matter'];
        yield 'nothing known' => ['p', 3.3, ''];
        yield 'oxide of another' => ['mg', 1.2046, ''];
        yield 'nothing' => ['p', 0.0, ''];
        yield 'no number' => ['p', NAN, ''];
    }

    #[DataProvider('ratios')]
    public function test_a_known_factor_says_what_would_explain_it(string $analyte, float $ratio, string $words): void
    {
        $said = MistakenUnit::explain($analyte, $ratio);
        $words === '' ? self::assertSame('', $said) : self::assertStringContainsString($words, $said);
    }

    public function test_two_near_factors_are_both_named_the_nearer_first(): void
    {
        self::assertMatchesRegularExpression(
            '/P2O5 read as P.*; or kilograms a hectare/',
            MistakenUnit::explain('p', 2.28),
        );
    }

    /**
     * Twenty-five results of a lab about 30 ppm; a report whose P is P2O5, one that is right, and one of two results.
     */
    public function test_a_whole_report_is_held_against_the_labs_usual_range(): void
    {
        $earlier = array_map(static fn (int $i): float => 30 * exp(0.25 * sin(1.7 * $i)), range(1, 25));
        $report = array_map(static fn (int $i): float => 30 * 2.2914 * exp(0.05 * cos(2.3 * $i)), range(1, 12));
        self::assertStringContainsString(
            'P2O5 read as P',
            (string) MistakenUnit::ofBatch('p', 'p, olsen', $report, $earlier),
        );
        self::assertNull(
            MistakenUnit::ofBatch(
                'p',
                'p, olsen',
                array_map(static fn (float $value): float => $value / 2.2914, $report),
                $earlier,
            ),
        );
        self::assertNull(MistakenUnit::ofBatch('p', 'p, olsen', array_slice($report, 0, 2), $earlier));
        self::assertNull(
            MistakenUnit::ofBatch('p', 'p, olsen', $report, array_slice($earlier, 0, 19)),
            'too few to know what is usual',
        );
        self::assertNull(
            MistakenUnit::ofBatch(
                'p',
                'p, olsen',
                array_map(static fn (float $value): float => $value * 1.5, $report),
                $earlier,
            ),
            'far, and explained by no unit',
        );
    }

    public function test_of_ones_own_ground_pH_is_explained_by_nothing(): void
    {
        self::assertSame('', SeriesHistory::of('ph', [5.0, 5.1])->explained(50.0));
        self::assertStringContainsString('pounds an acre', SeriesHistory::of('mg', [100.0, 100.0])->explained(180.0));
    }
}
