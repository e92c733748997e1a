<?php

declare(strict_types=1);

namespace HonestCore\Jar;

use HonestCore\Error\BadTable;
use HonestCore\Table\RuleTable;

/**
 * The twelve texture classes as outlines on the triangle, for drawing.
 *
 * Quantity and unit: percent of clay and silt.
 * Source: the table in data/texture-outlines.json.
 */
final class TextureOutlines
{
    /**
     * @return list<array{class: string, points: list<array{clay: float, silt: float}>}>
     *
     * @throws BadTable
     */
    public static function all(): array
    {
        /** @var array<string, list<array{int|float, int|float}>> $outlines */
        $outlines = RuleTable::named('texture-outlines')['outlines'];

        return array_map(
            static fn (string $class, array $points): array => [
                'class' => $class,
                'points' => array_map(
                    static fn (array $point): array => ['clay' => (float) $point[0], 'silt' => (float) $point[1]],
                    $points,
                ),
            ],
            array_keys($outlines),
            $outlines,
        );
    }
}
