<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/** A depth layer of a plan and the soil one composite gives of it, in millilitres. */
final readonly class PlannedLayer implements Stored
{
    public function __construct(public string $notation, public string $text, public float $volumeMl) {}

    public static function of(DepthLayer $layer, float $volumeMl): self
    {
        return new self($layer->notation(), $layer->text(), $volumeMl);
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self($fields->text('notation'), $fields->text('text'), $fields->number('volume_ml'));
    }

    public function toRow(): array
    {
        return ['notation' => $this->notation, 'text' => $this->text, 'volume_ml' => $this->volumeMl];
    }
}
