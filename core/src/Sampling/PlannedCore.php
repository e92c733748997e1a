<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * A core of a plan: which composite's, the how-manieth of it, and the way there from the one before.
 *
 * Quantity and unit: degrees (WGS 84); the leg in metres, its bearing in degrees from north; none for the first core
 * unless the plan has a start.
 */
final readonly class PlannedCore implements Stored
{
    public function __construct(
        public int $composite,
        public int $sequence,
        public float $longitude,
        public float $latitude,
        public ?float $legM,
        public ?float $bearingDeg,
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->whole('composite'),
            $fields->whole('sequence'),
            $fields->number('longitude'),
            $fields->number('latitude'),
            $fields->numberOrNull('leg_m'),
            $fields->numberOrNull('bearing_deg'),
        );
    }

    public function toRow(): array
    {
        return [
            'composite' => $this->composite,
            'sequence' => $this->sequence,
            'longitude' => $this->longitude,
            'latitude' => $this->latitude,
            'leg_m' => $this->legM,
            'bearing_deg' => $this->bearingDeg,
        ];
    }

    public function ofComposite(int $number): self
    {
        return new self($number, $this->sequence, $this->longitude, $this->latitude, $this->legM, $this->bearingDeg);
    }
}
