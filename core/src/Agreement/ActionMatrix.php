<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/** Pairs counted by the action of the reference and the action of the test. */
final class ActionMatrix
{
    /**
     * @param list<array{int, int|null}> $pairs class of the reference and of the test; none where a band cannot sort
     * @param bool $withMute a last column for pairs that cannot be sorted
     * @return list<list<int>> rows reference, columns test
     */
    public static function of(array $pairs, int $classes, bool $withMute): array
    {
        $matrix = array_fill(0, $classes, array_fill(0, $classes + 1, 0));
        foreach ($pairs as [$reference, $test]) {
            $matrix[$reference][$test ?? $classes]++;
        }

        return array_values(
            array_map(
                static fn (array $row): array => array_values($withMute ? $row : array_slice($row, 0, $classes)),
                $matrix,
            ),
        );
    }
}
