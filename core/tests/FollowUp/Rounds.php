<?php

declare(strict_types=1);

namespace HonestCore\Tests\FollowUp;

use HonestCore\FollowUp\SeriesPoint;

/** Made-up rounds that the tests of follow-up share. */
final class Rounds
{
    /** @param float|non-empty-array<int|string, float> $values */
    public static function of(
        string $on,
        float|array $values,
        ?float $u = 0.1,
        string $lab = 'Marl Laboratory',
        string $extractant = '',
        string $layer = '0-6in',
        string $method = '',
    ): SeriesPoint {
        return new SeriesPoint(
            $on,
            is_array($values) ? $values : [$values],
            $u,
            $method === '' ? "{$lab} pH" : $method,
            $lab,
            $extractant,
            $layer,
            ['FN-1'],
        );
    }
}
