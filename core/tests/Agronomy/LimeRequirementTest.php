<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agronomy;

use HonestCore\Agronomy\Lime\LimeMaterial;
use HonestCore\Agronomy\Lime\LimeQuestion;
use HonestCore\Agronomy\Lime\LimeRequirement;
use HonestCore\Agronomy\Lime\LimeSchool;
use HonestCore\Error\CoreError;
use HonestCore\Quantity\DepthLayer;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Lime by four schools, each with its own stone and depth. */
#[CoversClass(LimeQuestion::class)]
final class LimeRequirementTest extends TestCase
{
    /** 400 seeded cases, reckoned by Reference/lime_rate.py from the formulas with NumPy's interpolation. */
    public function test_amounts_agree_with_another_reckoning(): void
    {
        /**
         * @var list<array{ph: float, target: float, bottom_in: float, mixed_in: float|null, cce: float, p8: float,
         * p60: float, moisture: float, u_ph: float, u_buffer: float, school: string, reading: float, tons: float|null,
         * interval?: array{float, float}, now?: float, later?: float, at_most?: bool}> $cases
         */
        $cases = json_decode(
            (string) file_get_contents(__DIR__.'/../Reference/lime_rate.json'),
            true,
            8,
            JSON_THROW_ON_ERROR,
        );
        self::assertGreaterThan(300, count($cases));
        foreach ($cases as $i => $case) {
            $found = LimeRequirement::of(
                LimeQuestion::of(
                    $case['ph'],
                    $case['target'],
                    [$case['school'] => (float) $case['reading']],
                    DepthLayer::ofInches(0, $case['bottom_in']),
                    $case['mixed_in'],
                    LimeMaterial::ground($case['cce'], $case['p8'], $case['p60'], $case['moisture']),
                    null,
                    (float) $case['u_ph'],
                    (float) $case['u_buffer'],
                ),
            )->schools[0];
            if ($case['tons'] === null) {
                self::assertNull($found->tons, "case {$i}");

                continue;
            }
            self::assertEqualsWithDelta(
                [$case['tons'], ...$case['interval'] ?? [], $case['now'] ?? NAN, $case['later'] ?? NAN],
                [$found->tons, ...$found->interval ?? [], $found->now, $found->later],
                1e-9 * max(1.0, $case['tons']),
                "case {$i}, {$case['school']}",
            );
            self::assertSame($case['at_most'] ?? null, $found->atMost, "case {$i}");
        }
    }

    /** @return iterable<string, array{LimeQuestion, string, float|null}> */
    public static function answers(): iterable
    {
        $ask = static fn (
            float $ph,
            float $target,
            array $readings,
            ?DepthLayer $layer = null,
            ?float $om = null,
        ): LimeQuestion => LimeQuestion::of($ph, $target, $readings, $layer, organicMatter: $om);
        yield 'an amount' => [$ask(5.6, 6.5, ['mehlich' => 6.1]), 'amount', 1.35];
        yield 'at its target' => [$ask(6.5, 6.5, ['smp' => 6.1]), 'none', 0.0];
        yield 'no acidity in the buffer' => [$ask(5.4, 6.5, ['mehlich' => 6.6]), 'none', 0.0];
        yield 'a target past the formula' => [$ask(6.599, 7.0, ['mehlich' => 6.1]), 'unable', null];
        yield 'a target below the table' => [$ask(4.4, 5.0, ['smp' => 6.1]), 'unable', null];
        yield 'below the curve' => [$ask(4.39, 6.5, ['adams_evans' => 7.5]), 'unable', null];
        yield 'organic soil' => [$ask(5.0, 6.5, ['smp' => 6.1], null, 20.1), 'stop', null];
        yield 'just mineral' => [$ask(5.6, 6.5, ['mehlich' => 6.1], null, 20.0), 'amount', 1.35];
        yield 'organic soil at its target' => [$ask(6.6, 6.5, ['smp' => 6.1], null, 40.0), 'stop', null];
        yield 'a layer that begins below' => [
            $ask(5.0, 6.5, ['smp' => 6.1], DepthLayer::ofInches(6, 12), 40.0),
            'unable',
            null,
        ];
    }

    #[DataProvider('answers')]
    public function test_what_is_answered(LimeQuestion $asked, string $answer, ?float $tons): void
    {
        $found = LimeRequirement::of($asked);
        self::assertSame($answer, $found->answer);
        $tons === null
            ? self::assertNull($found->schools[0]->tons)
            : self::assertEqualsWithDelta($tons, $found->schools[0]->tons, 1e-9);
        self::assertSame($tons === null, $found->schools[0]->interval === null);
        $answer === 'amount' || self::assertNotSame([], $found->reasons);
        self::assertCount(1, $found->toArray()['schools']);
    }

    public function test_schools_stand_in_one_order_and_only_those_that_were_asked(): void
    {
        $found = LimeRequirement::of(
            LimeQuestion::of(5.5, 6.5, ['capacity' => 900.0, 'adams_evans' => 7.6, 'smp' => 6.4, 'mehlich' => null]),
        );

        self::assertSame(
            ['smp', 'adams_evans', 'capacity'],
            array_map(static fn ($one): string => $one->school->value, $found->schools),
        );
        self::assertSame(
            [8.0, 20 / 3, 6.0],
            array_map(
                static fn ($one): float => round($one->depthIn, 9) === round(20 / 3, 9) ? 20 / 3 : $one->depthIn,
                $found->schools,
            ),
        );
    }

    /** A 2 in or 18 in composite never sizes a 6 in rate silently. */
    public function test_layers_that_the_tables_are_not_made_for_are_said(): void
    {
        $words = static fn (float $bottom, ?float $mixed = null): string => implode(
            ' ',
            LimeRequirement::of(
                LimeQuestion::of(5.5, 6.5, ['mehlich' => 6.1], DepthLayer::ofInches(0, $bottom), $mixed),
            )->reasons,
        );
        foreach ([2.0, 18.0] as $bottom) {
            self::assertStringContainsString('made for samples of about 5 to 9 in', $words($bottom));
        }
        self::assertStringContainsString(
            'Sized for 2 in: the sample stands for 2 in and the lime is mixed to 6 in.',
            $words(2, 6),
        );
        self::assertSame('', $words(6, 6));
        self::assertSame('', $words(8));
    }

    public function test_figures_out_of_bounds_are_refused(): void
    {
        foreach (
            [
                [2.9, 6.5, ['smp' => 6.0]],
                [5.0, 10.1, ['smp' => 6.0]],
                [5.0, 6.5, ['smp' => 9.1]],
                [5.0, 6.5, ['capacity' => 0.0]],
                [NAN, 6.5, ['smp' => 6.0]],
                [5.0, 6.5, []],
                [5.0, 6.5, ['smp' => null]],
            ] as $i => [$ph, $target, $readings]
        ) {
            try {
                LimeRequirement::of(LimeQuestion::of($ph, $target, $readings));
                self::fail("case {$i} was accepted");
            } catch (CoreError $error) {
                self::assertStringContainsString('accepted', $error->getMessage().' accepted');
            }
        }
        foreach (
            [
                [0, 95, 50, 0],
                [181, 95, 50, 0],
                [90, 101, 50, 0],
                [90, 50, 60, 0],
                [90, 95, 50, 100],
                [90, 0, 0, 0],
                [90, 95, 50, -1],
            ] as $i => [$cce, $p8, $p60, $water]
        ) {
            try {
                LimeMaterial::ground($cce, $p8, $p60, $water);
                self::fail("material {$i} was accepted");
            } catch (CoreError $error) {
                self::assertNotSame('', $error->getMessage());
            }
        }
    }

    /**
     * Half the width is what the ends of the readings make; a pen that is surer narrows it, and readings at the edge
     * of a school's range do no harm.
     */
    public function test_uncertainty_widens_and_never_breaks(): void
    {
        $width = static function (float $uPh, float $uBuffer): float {
            [$low, $high] = LimeRequirement::of(
                LimeQuestion::of(3.0, 6.5, ['mehlich' => 3.0], uPh: $uPh, uBuffer: $uBuffer),
            )->schools[0]->interval ?? [NAN, NAN];

            return $high - $low;
        };
        self::assertSame(0.0, $width(0, 0));
        self::assertGreaterThan($width(0.06, 0.05), $width(0.5, 0.5));
        self::assertSame(4, count(LimeSchool::cases()));
    }
}
