<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/** How many composites of a plan are pulled twice, and how many get a hidden duplicate at the lab. */
final readonly class QualityAsked implements Stored
{
    public function __construct(public int $duplicates, public int $hidden) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self($fields->whole('duplicates'), $fields->whole('hidden'));
    }

    public function isNothing(): bool
    {
        return $this->duplicates + $this->hidden === 0;
    }

    public function toRow(): array
    {
        return ['duplicates' => $this->duplicates, 'hidden' => $this->hidden];
    }
}
