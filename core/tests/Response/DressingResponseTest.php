<?php

declare(strict_types=1);

namespace HonestCore\Tests\Response;

use HonestCore\Error\CoreError;
use HonestCore\Response\DressingResponse;
use HonestCore\Response\PlotChanges;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Responses of plots against SciPy's Welch test (Reference/amounts.py). */
#[CoversClass(PlotChanges::class)]
final class DressingResponseTest extends TestCase
{
    public function test_sixty_trials_agree_with_another_program(): void
    {
        /**
         * @var array{responses: list<array{treated: list<float>, control: list<float>, difference: float, se: float,
         * df: float, interval: array{float, float}, power: float}>} $frozen
         */
        $frozen = json_decode(
            (string) file_get_contents(__DIR__.'/../Reference/amounts.json'),
            true,
            16,
            JSON_THROW_ON_ERROR,
        );
        foreach ($frozen['responses'] as $case) {
            $found = DressingResponse::of(PlotChanges::parse(self::csv($case['treated'], $case['control'])));
            self::assertEqualsWithDelta(
                [
                    $case['difference'],
                    $case['se'],
                    $case['df'],
                    ...$case['interval'],
                    $case['power'],
                    ($case['interval'][1] - $case['interval'][0]) / 2,
                ],
                [
                    $found->difference,
                    $found->se,
                    $found->df,
                    ...$found->interval ?? [],
                    $found->smallestWithPower,
                    $found->smallestSeen,
                ],
                1e-8,
            );
        }
    }

    /**
     * Treated, control, expected, u, word, is there a standard error.
     *
     * @return iterable<string, array{list<float>, list<float>, float|null, float|null, string, bool}>
     */
    public static function words(): iterable
    {
        [$none, $rise] = [[0.0, 0.05, -0.05, 0.0], [0.6, 0.65, 0.55, 0.6]];
        yield 'as expected' => [$rise, $none, 0.6, null, 'as_expected', true];
        yield 'less' => [$rise, $none, 0.9, null, 'less', true];
        yield 'more' => [$rise, $none, 0.3, null, 'more', true];
        yield 'a fall that went too far is more' => [[-0.6, -0.65, -0.55, -0.6], $none, -0.3, null, 'more', true];
        yield 'not seen' => [[0.02, -0.03, 0.01, 0.0], $none, 0.6, null, 'not_seen', true];
        yield 'cannot tell' => [[0.9, -0.5, 0.6, 0.1], $none, 0.4, null, 'cannot_tell', true];
        yield 'changed' => [$rise, $none, null, null, 'changed', true];
        yield 'not seen without an expectation' => [$none, $none, null, null, 'not_seen', true];
        yield 'no control' => [$rise, [], 0.6, null, 'no_control', true];
        yield 'one plot and no uncertainty' => [[0.6], $none, 0.6, null, 'cannot_tell', false];
        yield 'one plot with it' => [[0.6], [0.0], 0.6, 0.05, 'as_expected', true];
        yield 'no spread at all' => [[0.5, 0.5], [0.0, 0.0], 0.5, 0.1, 'cannot_tell', false];
        yield 'one treated plot alone' => [[0.6], [], 0.6, 0.05, 'no_control', true];
    }

    /**
     * @param list<float> $treated
     * @param list<float> $control
     */
    #[DataProvider('words')]
    public function test_what_is_said(
        array $treated,
        array $control,
        ?float $expected,
        ?float $u,
        string $word,
        bool $known,
    ): void {
        $found = DressingResponse::of(PlotChanges::parse(self::csv($treated, $control)), $expected, $u);
        self::assertSame([$word, $known], [$found->word, $found->se !== null]);
        self::assertSame($control === [] ? null : array_sum($control) / count($control), $found->controlChange);
        if (count($treated) === 1 && $u !== null) {
            self::assertEqualsWithDelta($u * sqrt(2 + ($control === [] ? 0 : 2)), $found->se, 1e-12);
            self::assertNull($found->df);
        }
    }

    public function test_what_cannot_be_judged_is_refused(): void
    {
        foreach (
            [
                "group,plot,before,after\ncontrol,1,1,2\n" => 'no plot was treated',
                "group,plot,before,after\ntreated,1,1,2\ntreated,1,1,2\n" => 'stands twice',
                "group,plot,before,after\nother,1,1,2\n" => 'group is',
                "group,plot,before,after\ntreated,1,x,2\n" => 'before is "x"',
            ] as $csv => $words
        ) {
            try {
                PlotChanges::parse($csv);
                self::fail($words);
            } catch (CoreError $error) {
                self::assertStringContainsString($words, $error->getMessage());
            }
        }
        foreach ([[0.0, null], [1.0, 0.0], [INF, null]] as [$expected, $u]) {
            try {
                DressingResponse::of(PlotChanges::parse(self::csv([0.1, 0.2], [0.0, 0.1])), $expected, $u);
                self::fail('taken');
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }

    /**
     * @param list<float> $treated
     * @param list<float> $control
     */
    private static function csv(array $treated, array $control): string
    {
        $rows = ['group,plot,before,after'];
        foreach (['treated' => $treated, 'control' => $control] as $group => $changes) {
            foreach ($changes as $i => $change) {
                $rows[] = "{$group},{$i},0,".json_encode($change);
            }
        }

        return implode("\n", $rows)."\n";
    }
}
