<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * A composite of a plan: how many cores, how far to walk within it, its own ground, and which it doubles.
 *
 * Quantity and unit: the walk in metres; the outline in degrees (WGS 84), closed rings, none when it is all the area.
 */
final readonly class PlannedComposite implements Stored
{
    /** @param list<list<array{float, float}>> $outline */
    public function __construct(
        public int $number,
        public int $cores,
        public float $walkM,
        public array $outline,
        public ?int $duplicateOf = null,
    ) {}

    /** One that was stored before composites had outlines of their own has none. */
    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $outline = [];
        foreach ($fields->rows('outline') as $ring) {
            $outline[] = array_map(
                static fn (mixed $point): array => (new Fields(['point' => $point]))->pairOrNull('point') ?? [0.0, 0.0],
                array_values($ring),
            );
        }

        return new self(
            $fields->whole('number'),
            $fields->whole('cores'),
            $fields->number('walk_m'),
            $outline,
            $fields->wholeOrNull('duplicate_of'),
        );
    }

    public function toRow(): array
    {
        return [
            'number' => $this->number,
            'cores' => $this->cores,
            'walk_m' => $this->walkM,
            'outline' => $this->outline,
            ...$this->duplicateOf === null ? [] : ['duplicate_of' => $this->duplicateOf],
        ];
    }

    /** This ground once more, as another composite. */
    public function again(int $number): self
    {
        return new self($number, $this->cores, $this->walkM, $this->outline, $this->number);
    }
}
