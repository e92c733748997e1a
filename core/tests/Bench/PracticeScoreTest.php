<?php

declare(strict_types=1);

namespace HonestCore\Tests\Bench;

use HonestCore\Agreement\Bands;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Bench\PracticeScore;
use HonestCore\Error\CoreError;
use HonestCore\Tests\ReferenceData;
use PHPUnit\Framework\TestCase;

final class PracticeScoreTest extends TestCase
{
    public function test_bias_and_repeatability_agree_with_the_analysis_of_variance_of_r(): void
    {
        /** @var list<array{known: list<float>, middle: list<float>, bias: float, sd: float, df: int}> $groups */
        $groups = ReferenceData::of('bench')['groups'];
        foreach ($groups as $i => $group) {
            $score = PracticeScore::of(
                $this->card(),
                array_map(
                    static fn (float|int $known, float|int $middle): array => [
                        'known' => (float) $known,
                        'band' => number_format($middle, 1),
                        'between' => null,
                    ],
                    $group['known'],
                    $group['middle'],
                ),
            );
            self::assertEqualsWithDelta($group['bias'], (float) $score->bias, 1e-12, "round {$i}");
            self::assertEqualsWithDelta($group['sd'], (float) $score->repeatability, 1e-9, "round {$i}");
            self::assertSame($group['df'], $score->degreesOfFreedom);
        }
    }

    /** No misses in n: the exact bound is 0.05^(1/n). */
    public function test_the_bound_of_a_clean_round(): void
    {
        $score = PracticeScore::of(
            $this->card(),
            array_fill(0, 14, ['known' => 6.1, 'band' => '6.0', 'between' => null]),
        );

        self::assertSame([14, 14], [$score->tubes, $score->right]);
        self::assertEqualsWithDelta(0.05 ** (1 / 14), $score->lower, 1e-12);
        self::assertEqualsWithDelta(-0.1, (float) $score->bias, 1e-12);
        self::assertSame(0.0, $score->repeatability);
    }

    public function test_between_two_bands_counts_by_the_bound_between_them_and_hits_with_either(): void
    {
        $score = PracticeScore::of($this->card(), [
            ['known' => 6.2, 'band' => '6.0', 'between' => '6.5'],
            ['known' => 6.3, 'band' => '6.0', 'between' => '6.5'],
            ['known' => 6.9, 'band' => '6.0', 'between' => '6.5'],
        ]);

        self::assertSame(2, $score->right);
        self::assertEqualsWithDelta((0.05 - 0.05 - 0.65) / 3, (float) $score->bias, 1e-12);
        self::assertNull($score->repeatability, 'no two tubes were alike');
    }

    public function test_open_bands_hit_or_miss_but_have_no_middle(): void
    {
        $score = PracticeScore::of(Bands::parse('acid::6.5,neither:6.5:7,carbonate:7:'), [
            ['known' => 5.0, 'band' => 'acid', 'between' => null],
            ['known' => 7.5, 'band' => 'acid', 'between' => null],
        ]);

        self::assertSame([1, null, null], [$score->right, $score->bias, $score->repeatability]);
    }

    public function test_what_is_no_round_is_refused(): void
    {
        foreach (
            [
                [],
                [['known' => 6.0, 'band' => '6.0', 'between' => null]],
                [
                    ['known' => 6.0, 'band' => '6.1', 'between' => null],
                    ['known' => 6.0, 'band' => '6.0', 'between' => null],
                ],
                [
                    ['known' => 6.0, 'band' => '6.0', 'between' => 'x'],
                    ['known' => 6.0, 'band' => '6.0', 'between' => null],
                ],
            ] as $readings
        ) {
            try {
                PracticeScore::of($this->card(), $readings);
                self::fail('It was accepted.');
            } catch (CoreError $error) {
                self::assertMatchesRegularExpression('/2 or more|is no band/', $error->getMessage());
            }
        }
    }

    private function card(): Bands
    {
        return MethodLibrary::get('capsule-ph')->scale->bands ?? throw new \LogicException('The card has bands.');
    }
}
