<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Quantity\Extent;
use HonestCore\Table\Fields;

/**
 * One part of a program as a spreader takes it: its ground, and the rate of every product of the program, zero too.
 *
 * Quantity and unit: square metres; lb an acre of product; days as Y-m-d, empty where nothing is spread.
 */
final readonly class SpreadPart
{
    /**
     * @param array<string, mixed> $geometry GeoJSON
     * @param list<array{product: string, name: string, lb_per_acre: float, on: string}> $rates
     */
    private function __construct(
        public int $number,
        public string $label,
        public float $squareMetres,
        public array $geometry,
        public array $rates,
    ) {}

    /**
     * The parts of a program, each with every product that any of them gets.
     *
     * @param list<array<mixed>> $parts as PartProgram writes them, each with its geometry
     * @return list<self>
     */
    public static function all(array $parts): array
    {
        $names = [];
        foreach ($parts as $part) {
            foreach ((new Fields($part))->rows('amounts') as $amount) {
                $fields = new Fields($amount);
                $names[$fields->text('product')] = $fields->text('name');
            }
        }

        return array_map(static fn (array $part): self => self::of(new Fields($part), $names), $parts);
    }

    /** @param array<string, string> $names of products by code */
    private static function of(Fields $part, array $names): self
    {
        $rates = $on = [];
        foreach ($part->rows('amounts') as $amount) {
            $fields = new Fields($amount);
            $rates[$fields->text('product')] = $fields->number('lb_per_acre');
        }
        foreach ($part->rows('days') as $day) {
            $fields = new Fields($day);
            $on[$fields->text('product')] ??= $fields->text('on');
        }

        return new self(
            $part->whole('number'),
            $part->text('label'),
            $part->number('area_m2'),
            $part->named('geometry'),
            array_map(
                static fn (string|int $code, string $name): array => [
                    'product' => (string) $code,
                    'name' => $name,
                    'lb_per_acre' => $rates[$code] ?? 0.0,
                    'on' => $on[$code] ?? '',
                ],
                array_keys($names),
                array_values($names),
            ),
        );
    }

    public function acres(): float
    {
        return Extent::ofSquareMetres($this->squareMetres)->acres();
    }

    /** @return array<string, float> lb an acre by the code of the product */
    public function byProduct(): array
    {
        return array_column($this->rates, 'lb_per_acre', 'product');
    }
}
