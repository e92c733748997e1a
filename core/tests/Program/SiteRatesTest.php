<?php

declare(strict_types=1);

namespace HonestCore\Tests\Program;

use HonestCore\Program\SiteRates;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SiteRatesTest extends TestCase
{
    /**
     * By hand: a pound an acre is 0.45359237 / 0.40468564224 = 1.12085 kg/ha, a ton of 2,000 lb an acre 2.2417 t/ha.
     *
     * @return iterable<string, array{string, string}>
     */
    public static function sentences(): iterable
    {
        yield 'pounds' => ['Corn needs 150 lb/acre; no credits.', 'Corn needs 168 kg/ha; no credits.'];
        yield 'a small rate' => ['1.5 lb/acre of boron', '1.7 kg/ha of boron'];
        yield 'tons and their span' => [
            'All of it 1.8 tons/acre, 1.05 to 2.55 tons/acre.',
            'All of it 4.04 t/ha, 2.35 to 5.72 t/ha.',
        ];
        yield 'in words' => ['or 4 tons an acre at most', 'or 8.97 t a hectare at most'];
        yield 'thousands' => ['2,000 lb/acre', '2242 kg/ha'];
        yield 'depth' => ['0-6 in: a lab\'s phosphorus', '0-15 cm: a lab\'s phosphorus'];
        yield 'depth in words' => ['the upper 2 in, which a 0-6 in core would hide', 'the upper 5 cm, which a 0-15 cm core would hide'];
        yield 'as deep as the plough' => ['6 to 8 in, as deep', '15 to 20 cm, as deep'];
        yield 'a share in a sentence' => ['no more than 0.105 in 95 % of cases, 7 in 10', 'no more than 0.105 in 95 % of cases, 7 in 10'];
        yield 'ground' => ['no more than 5 acres; 1 acre', 'no more than 2.02 ha; 0.4 ha'];
        yield 'a nutrient' => ['81 lb P2O5/acre', '91 kg P2O5/ha'];
        yield 'a bed' => ['2 lb/100 sq ft at most', '97.6 g/m2 at most'];
        yield 'what soil weighs' => [
            'An acre-inch of soil is taken to weigh 300,000 lb.',
            'A hectare of soil is taken to weigh 132384 kg for each cm of depth.',
        ];
        yield 'days are no depth' => ['in 3-4 weeks, in 2026-04 in time', 'in 3-4 weeks, in 2026-04 in time'];
        yield 'no rate' => ['QH26-01-4 (14 Apr, pH 6.71, leave)', 'QH26-01-4 (14 Apr, pH 6.71, leave)'];
    }

    #[DataProvider('sentences')]
    public function test_rates_and_depths_within_a_sentence(string $said, string $metric): void
    {
        self::assertSame($metric, SiteRates::of('metric')->inWords($said));
        self::assertSame($metric, SiteRates::of('metric')->inWords($metric), 'once is enough');
        self::assertSame($said, SiteRates::of('us')->inWords($said));
    }

    public function test_figures_and_the_words_of_a_person_stay(): void
    {
        $line = ['lb_per_acre' => 60.0, 'answer' => '60 lb/acre', 'override' => ['was' => 150.0, 'reason' => 'He said 60 lb/acre.']];

        self::assertSame(
            ['lb_per_acre' => 60.0, 'answer' => '67 kg/ha', 'override' => ['was' => 150.0, 'reason' => 'He said 60 lb/acre.']],
            SiteRates::of('metric')->throughout($line),
        );
    }

    public function test_a_whole_program_of_a_metric_site_names_no_other_unit(): void
    {
        $seen = 0;
        foreach (['corn', 'alfalfa', 'fruiting', 'blueberry', 'potato'] as $crop) {
            foreach ([['p' => 5.0, 'k' => 40.0, 'cec' => 18.0], ['p' => 15.0]] as $tested) {
                $program = Made::program(Made::part(tested: $tested), $crop, ['credits' => ['legume' => 40]]);
                $steps = $program->toArray(units: SiteRates::of('metric'))['steps'];
                $said = json_encode($steps, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
                self::assertDoesNotMatchRegularExpression('#\d (lb|tons?)\b|\bacre|\d in\b#', $said, $crop);
                $seen += substr_count($said, 'kg/ha') + substr_count($said, 't/ha');
            }
        }
        self::assertGreaterThan(10, $seen);
    }
}
