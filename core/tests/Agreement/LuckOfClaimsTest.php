<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agreement;

use HonestCore\Agreement\LuckOfClaims;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(LuckOfClaims::class)]
final class LuckOfClaimsTest extends TestCase
{
    public function test_twenty_claims_at_nineteen_in_twenty_give_one_by_luck(): void
    {
        $it = LuckOfClaims::of(array_fill(0, 20, 0.95));

        self::assertSame(20, $it->judged);
        self::assertEqualsWithDelta(1.0, $it->expected, 1e-12);
        // 1 - 0.95^20, the usual example of any textbook.
        self::assertEqualsWithDelta(0.6415141, $it->anyAtAll, 1e-7);
        self::assertEqualsWithDelta(0.145, LuckOfClaims::of([0.9, 0.95])->anyAtAll, 1e-12);
        self::assertSame([0, 0.0, 0.0], array_values((array) LuckOfClaims::of([])));
    }
}
