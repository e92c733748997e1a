<?php

declare(strict_types=1);

namespace HonestCore\Tests\Sampling;

use HonestCore\Sampling\EarlierSpread;
use HonestCore\Sampling\SpreadFromComposites;
use PHPUnit\Framework\TestCase;

final class EarlierSpreadTest extends TestCase
{
    public function test_the_newest_year_with_enough_composites_speaks(): void
    {
        $of = static fn (float ...$values): array => array_map(
            static fn (float $value): array => ['value' => $value, 'cores' => 10],
            array_values($values),
        );
        $found = EarlierSpread::ofNewest(
            ['2023 0-6in' => $of(5.0, 7.0, 6.0), '2025 0-6in' => $of(5.8, 6.0), '2024 0-6in' => $of(5.9, 6.1, 6.3, 6.0)],
            0.03,
        );

        self::assertSame(4, $found?->composites, '2025 has too few, and 2024 is newer than 2023');
        self::assertSame(SpreadFromComposites::of($of(5.9, 6.1, 6.3, 6.0), 0.03), $found->sdPh);
        self::assertNull(EarlierSpread::ofNewest(['2025 0-6in' => $of(6.0, 6.1)], 0.03));
    }
}
