<?php

declare(strict_types=1);

namespace HonestCore\Tests\Labs;

use HonestCore\Labs\SimulatedSoil;
use PHPUnit\Framework\TestCase;

final class SimulatedSoilTest extends TestCase
{
    public function test_the_same_soil_has_the_same_token_and_nobody_can_read_which_it_is(): void
    {
        $one = SimulatedSoil::of('key', 'sample 4', 'ground 2', 6.1);
        $again = SimulatedSoil::of('key', 'sample 4', 'ground 2', null);

        self::assertSame([$one->token, $one->ground], [$again->token, $again->ground]);
        self::assertNotSame($one->token, SimulatedSoil::of('key', 'sample 5', 'ground 2', 6.1)->token);
        self::assertNotSame($one->token, SimulatedSoil::of('other', 'sample 4', 'ground 2', 6.1)->token);
        self::assertSame(['token' => $one->token, 'ground' => $one->ground, 'ph' => 6.1], $one->toArray());
    }
}
