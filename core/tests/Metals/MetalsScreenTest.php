<?php

declare(strict_types=1);

namespace HonestCore\Tests\Metals;

use HonestCore\Error\CoreError;
use HonestCore\Metals\MetalsScreen;
use PHPUnit\Framework\TestCase;

/** Screening of metals against SciPy (Reference/amounts.py). */
final class MetalsScreenTest extends TestCase
{
    public function test_sixty_screenings_agree_with_another_program(): void
    {
        /** @var array{screens: list<array{values: list<float>, ucl: float, lcl: float, log_sd: float}>} $frozen */
        $frozen = json_decode(
            (string) file_get_contents(__DIR__.'/../Reference/amounts.json'),
            true,
            16,
            JSON_THROW_ON_ERROR,
        );
        foreach ($frozen['screens'] as $case) {
            $found = MetalsScreen::of(
                array_map(static fn (float|int $value): array => [(float) $value, false], $case['values']),
                80.0,
            );
            self::assertEqualsWithDelta(
                [$case['ucl'], $case['lcl'], $case['log_sd']],
                [$found->ucl, $found->lcl, $found->logSd],
                1e-8 * $case['ucl'],
            );
            self::assertSame(
                $case['ucl'] < 80 ? 'below' : ($case['lcl'] >= 80 ? 'above' : 'too_close'),
                $found->answer,
            );
        }
    }

    public function test_bounds_few_values_and_composites(): void
    {
        $read = static fn (string ...$values): array => MetalsScreen::parse(
            "value,place\n".implode('', array_map(static fn (string $value): string => "{$value},x\n", $values)),
        );
        self::assertSame([[5.0, true], [5.0, true], [12.5, false]], $read('<5', '< 5', '12.5'));
        $half = MetalsScreen::of($read('<5', '<5', '40', '50'), 80.0);
        self::assertSame([2, true], [$half->censored, $half->ucl !== null], 'half of them are not more than half');
        $most = MetalsScreen::of($read('<5', '<5', '<9', '50'), 80.0);
        self::assertSame([null, null, null, 'below'], [$most->ucl, $most->lcl, $most->uclBy, $most->answer]);
        self::assertSame('too_few', MetalsScreen::of($read('<5', '<5', '<90', '50'), 80.0)->answer);
        self::assertSame(
            ['too_few', 2],
            [MetalsScreen::of($read('5', '6'), 80.0)->answer, MetalsScreen::of($read('5', '6'), 80.0)->n],
        );
        // A composite of 6 cores at a mean of 40 over a background of 10: one core may hold 190; from 21.7 on one
        // above 80 may hide.
        $six = MetalsScreen::of($read('30', '40', '50'), 80.0, cores: 6, background: 10.0);
        self::assertEqualsWithDelta([190.0, 130 / 6], [$six->oneCoreUpTo, $six->hiddenFrom], 1e-9);
        self::assertStringContainsString('health department', implode(' ', $six->reasons));
        self::assertSame(
            'below',
            MetalsScreen::of($read('40', '40', '40'), 40.001)->answer,
            'no spread: the mean itself',
        );
        self::assertSame('above', MetalsScreen::of($read('40', '40', '40'), 40.0)->answer);
    }

    public function test_what_is_no_value_is_refused_with_its_row(): void
    {
        foreach (['0', '-3', '', 'low', '<0', '<'] as $value) {
            try {
                MetalsScreen::parse("value,x\n5,a\n{$value},b\n");
                self::fail("{$value} was taken");
            } catch (CoreError $error) {
                self::assertStringContainsString('row 3', $error->getMessage());
            }
        }
    }
}
