<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/** How many cores a transect across rows has, and how many lie between bands for each one in a band. */
final readonly class RowCounts implements Stored
{
    public function __construct(public int $perTransect, public int $betweenForEachInBand) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self($fields->whole('per_transect'), $fields->whole('between_for_each_in_band'));
    }

    public function toRow(): array
    {
        return ['per_transect' => $this->perTransect, 'between_for_each_in_band' => $this->betweenForEachInBand];
    }
}
