<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use HonestCore\Custody\CheckCharacter;
use HonestCore\Custody\ProbableCodes;
use HonestCore\Custody\SampleCode;
use PHPUnit\Framework\TestCase;

final class ProbableCodesTest extends TestCase
{
    public function test_however_a_code_is_typed_it_is_tidied(): void
    {
        $code = SampleCode::ofSample('QH', 2026, 7, 'L')->text;
        foreach (
            [strtolower($code), str_replace('-', '', $code), str_replace('-', ' ', $code), " {$code} "] as $typed
        ) {
            self::assertSame($code, ProbableCodes::tidy($typed));
        }
        self::assertSame('NOT A CODE', ProbableCodes::tidy(' not a code '));
    }

    public function test_one_slip_leads_back_to_what_was_meant(): void
    {
        mt_srand(9);
        for ($i = 0; $i < 300; $i++) {
            $code = SampleCode::ofSample('QH', 2026, mt_rand(1, 99_999), ['', 'L', 'B'][$i % 3])->text;
            $place = mt_rand(0, strlen($code) - 1);
            if ($code[$place] === '-') {
                continue;
            }
            $slip = substr_replace($code, (string) mt_rand(0, 9), $place, 1);
            $swap =
                $place > 0 && $code[$place - 1] !== '-'
                    ? substr_replace($code, $code[$place].$code[$place - 1], $place - 1, 2)
                    : $code;
            foreach ([$slip, $swap] as $wrong) {
                if ($wrong !== $code) {
                    self::assertContains($code, ProbableCodes::of($wrong), $wrong);
                }
            }
        }
    }

    public function test_what_is_too_short_or_too_long_for_a_code_is_not_guessed_at(): void
    {
        self::assertSame(
            [true, false, false, true],
            array_map(static fn (string $typed): bool => ProbableCodes::of($typed) === [], [
                'QH26A',
                'QH261A',
                'QHL26123451234',
                'QHL261234512345',
            ]),
        );
    }

    public function test_only_codes_that_check_are_given(): void
    {
        foreach (ProbableCodes::of('QH26-07L-0') as $code) {
            self::assertTrue(CheckCharacter::fits($code));
        }
        self::assertSame([], ProbableCodes::of('Q'));
        self::assertSame([], ProbableCodes::of(str_repeat('Q', 60)));
    }
}
