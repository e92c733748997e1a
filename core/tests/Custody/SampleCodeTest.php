<?php

declare(strict_types=1);

namespace HonestCore\Tests\Custody;

use HonestCore\Custody\CheckCharacter;
use HonestCore\Custody\SampleCode;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(CheckCharacter::class)]
final class SampleCodeTest extends TestCase
{
    /** ISO 7064 gives A12425GABC1234002 the check character M under MOD 37,36 (example written from memory). */
    public function test_the_example_of_the_standard(): void
    {
        self::assertSame('M', CheckCharacter::of('A12425GABC1234002'));
        self::assertTrue(CheckCharacter::fits('A12425GABC1234002M'));
    }

    public function test_a_code_is_short_readable_and_fits(): void
    {
        $code = SampleCode::ofSample('QH', 2026, 7)->text;

        self::assertMatchesRegularExpression('/^QH26-07-[0-9A-Z]$/', $code);
        self::assertTrue(CheckCharacter::fits($code));
        self::assertTrue(CheckCharacter::fits(strtolower($code)));
        self::assertNotSame($code, SampleCode::ofSample('QH', 2026, 7, 'L')->text);
    }

    public function test_every_single_wrong_character_is_found(): void
    {
        $alphabet = str_split('0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ');
        foreach ([3, 41, 187] as $number) {
            $code = str_replace('-', '', SampleCode::ofSample('QH', 2026, $number, 'L')->text);
            for ($i = 0; $i < strlen($code); $i++) {
                foreach ($alphabet as $other) {
                    if ($other !== $code[$i]) {
                        self::assertFalse(
                            CheckCharacter::fits(substr_replace($code, $other, $i, 1)),
                            "{$code}, {$other} at {$i}",
                        );
                    }
                }
            }
        }
    }

    public function test_nearly_every_swap_of_neighbours_is_found(): void
    {
        [$swaps, $missed] = [0, 0];
        for ($number = 1; $number <= 300; $number++) {
            $code = str_replace('-', '', SampleCode::ofSample('TRW', 2026, $number, 'B')->text);
            for ($i = 0; $i + 1 < strlen($code); $i++) {
                if ($code[$i] !== $code[$i + 1]) {
                    $swaps++;
                    $missed += CheckCharacter::fits(
                        substr($code, 0, $i).$code[$i + 1].$code[$i].substr($code, $i + 2),
                    )
                        ? 1
                        : 0;
                }
            }
        }

        self::assertLessThan(0.02, $missed / $swaps);
    }

    public function test_letters_and_numbers_that_are_none_are_refused(): void
    {
        foreach ([['q', 1], ['QHLM', 1], ['QH', 0], ['QH', 100_000]] as [$letters, $number]) {
            try {
                SampleCode::ofSample($letters, 2026, $number);
                self::fail("{$letters} {$number} was accepted");
            } catch (CoreError $error) {
                self::assertSame('value_out_of_range', $error->errorCode());
            }
        }
    }
}
