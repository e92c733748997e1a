<?php

declare(strict_types=1);

namespace HonestCore\Blend;

use HonestCore\Error\BadTable;

/**
 * A product that may go into a mix.
 *
 * Quantity and unit: grades in percent of its mass (lime in carbonate effectiveness), cost for a unit of mass, `most`
 * in units of mass.
 * Domain: nothing negative; grades other than lime add up to 100 at most.
 */
final readonly class BlendProduct
{
    public const NUTRIENTS = ['n', 'p2o5', 'k2o', 'ca', 'mg', 's', 'zn', 'mn', 'cu', 'fe', 'b', 'lime'];

    /** @param array<string, float> $grades by nutrient, those above 0 */
    private function __construct(public string $name, public float $cost, public array $grades, public ?float $most) {}

    /** @throws BadTable */
    public static function fromArray(mixed $given, int $i): self
    {
        $place = 'product '.($i + 1);
        $name = is_array($given) && is_string($given['name'] ?? null) ? trim($given['name']) : '';
        if (! is_array($given) || $name === '') {
            throw new BadTable('no_name', ['place' => $place]);
        }
        $place = "{$place} ({$name})";
        $cost = self::number($given['cost'] ?? null, "{$place}: its cost");
        $most = array_key_exists('most', $given) ? self::number($given['most'], "{$place}: the most of it") : null;
        $grades = [];
        foreach (array_diff_key($given, ['name' => 0, 'cost' => 0, 'most' => 0]) as $nutrient => $grade) {
            if (! in_array($nutrient, self::NUTRIENTS, true)) {
                throw new BadTable('no_nutrient', [
                    'place' => $place,
                    'nutrient' => $nutrient,
                    'known' => implode(', ', self::NUTRIENTS),
                ]);
            }
            $value = self::number($grade, "{$place}: its {$nutrient}");
            $grades += $value > 0 ? [$nutrient => $value] : [];
        }
        if (array_sum(array_diff_key($grades, ['lime' => 0])) > 100 + 1e-9) {
            throw new BadTable('grades_above_100', ['place' => $place]);
        }

        return new self($name, $cost, $grades, $most);
    }

    /** @throws BadTable */
    public static function number(mixed $value, string $place): float
    {
        return (is_int($value) || is_float($value)) && is_finite($value) && $value >= 0
            ? (float) $value
            : throw new BadTable('no_amount', ['place' => $place]);
    }

    /** Mass of a nutrient in a unit of mass of the product. */
    public function share(string $nutrient): float
    {
        return ($this->grades[$nutrient] ?? 0.0) / 100;
    }
}
