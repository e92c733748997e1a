<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

/** The spread of pH between cores that an area's earlier composites show: a standard deviation, and from how many. */
final readonly class EarlierSpread
{
    public function __construct(public float $sdPh, public int $composites) {}

    /**
     * The spread of the newest year and depth with enough composites.
     *
     * @param array<string, list<array{value: float, cores: int}>> $byYear composites by year and depth, "2026 0-6in"
     */
    public static function ofNewest(array $byYear, float $labSd): ?self
    {
        krsort($byYear);
        foreach ($byYear as $composites) {
            $sd = SpreadFromComposites::of($composites, $labSd);
            if ($sd !== null) {
                return new self($sd, count($composites));
            }
        }

        return null;
    }
}
