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
        $counts = [];
        foreach ($pairs as [$reference, $test]) {
            $to = $test ?? $classes;
            $counts[$reference][$to] = 1 + ($counts[$reference][$to] ?? 0);
        }

        return self::ofCounts($counts, $classes, $withMute);
    }

    /**
     * @param array<int, array<int, int>> $counts by class of the reference and of the test; those that cannot be sorted
     *                                            behind the last
     * @return list<list<int>> rows reference, columns test
     */
    public static function ofCounts(array $counts, int $classes, bool $withMute): array
    {
        $matrix = [];
        for ($row = 0; $row < $classes; $row++) {
            $matrix[$row] = [];
            for ($column = 0; $column < $classes + ($withMute ? 1 : 0); $column++) {
                $matrix[$row][] = $counts[$row][$column] ?? 0;
            }
        }

        return array_values($matrix);
    }
}
