<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * A landmark that a plan keeps away from, as it was when the plan was made.
 *
 * Quantity and unit: the distance in metres; the geometry is GeoJSON in degrees (WGS 84).
 */
final readonly class KeptAway implements Stored
{
    /** @param array<string, mixed> $geometry */
    public function __construct(
        public int $landmarkId,
        public string $name,
        public float $distanceM,
        public array $geometry,
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->whole('landmark_id', 0),
            $fields->text('name', ''),
            $fields->number('distance_m'),
            $fields->named('geometry'),
        );
    }

    public function toRow(): array
    {
        return [
            'landmark_id' => $this->landmarkId,
            'name' => $this->name,
            'distance_m' => $this->distanceM,
            'geometry' => $this->geometry,
        ];
    }
}
