<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Sampling\FieldSheet;
use HonestCore\Sampling\Pattern;
use PHPUnit\Framework\TestCase;

/** Common practice: the tools follow from the tests wanted. */
final class FieldSheetTest extends TestCase
{
    public function test_zinc_asks_for_plastic_and_nitrate_for_the_cold_box(): void
    {
        $plain = implode(' ', FieldSheet::for(['ph'], 1, Pattern::Zigzag)->tools);
        $all = FieldSheet::for(['ph', 'zinc', 'nitrate', 'lead'], 2, Pattern::Rows);

        self::assertStringNotContainsString('galvanised', $plain);
        self::assertStringNotContainsString('Cold box', $plain);
        self::assertStringNotContainsString('Knife', $plain);
        foreach (['galvanised', 'Cold box', 'Knife', 'every 3 in', 'rinse'] as $word) {
            self::assertStringContainsString($word, implode(' ', $all->tools));
        }
        self::assertStringContainsString('do not dry on paper', implode(' ', $all->steps));
        self::assertStringContainsString('health department', implode(' ', $all->cautions));
        self::assertStringNotContainsString(
            'health department',
            implode(' ', FieldSheet::for(['ph', 'zinc', 'nitrate'], 2, Pattern::Rows)->cautions),
        );
        self::assertStringNotContainsString(
            'do not dry on paper',
            implode(' ', FieldSheet::for(['ph', 'lead'], 1, Pattern::W)->steps),
        );
        self::assertStringContainsString('Buried lines', implode(' ', FieldSheet::for([], 1, Pattern::W)->cautions));
    }

    public function test_an_unknown_test_is_refused_with_the_known_ones(): void
    {
        $this->expectExceptionMessage('accepted are ph, pk, zinc, nitrate, lead');

        FieldSheet::for(['gold'], 1, Pattern::W);
    }
}
