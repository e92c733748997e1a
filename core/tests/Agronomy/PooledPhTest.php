<?php

declare(strict_types=1);

namespace HonestCore\Tests\Agronomy;

use HonestCore\Agronomy\Lime\PooledPh;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\TestCase;

final class PooledPhTest extends TestCase
{
    /**
     * Four said lime at 5.5, the newest 6.12. R: x <- c(5.5,5.52,5.48,5.5,6.12); mean(x) 5.624; sd(x) 0.2776329;
     * qt(.975,4)*sd(x)/sqrt(5) 0.3447267.
     */
    public function test_five_composites_against_r(): void
    {
        $pooled = PooledPh::of(['a' => 5.5, 'b' => 5.52, 'c' => 5.48, 'd' => 5.5, 'e' => 6.12]);

        self::assertEqualsWithDelta([5.624, 0.2776329, 0.3447267], [$pooled->mean, $pooled->sd, $pooled->margin], 1e-7);
    }

    public function test_one_composite_is_nothing_to_pool(): void
    {
        $this->expectException(CoreError::class);
        PooledPh::of(['a' => 5.5]);
    }
}
