<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Quantity\Extent;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * A line of a signed program as a spreader works it off: a product on a part on a day.
 *
 * Quantity and unit: square metres; lb an acre of product; the day as Y-m-d.
 */
final readonly class PlannedLine implements Stored
{
    private function __construct(
        public int $part,
        public string $label,
        public float $squareMetres,
        public string $product,
        public string $name,
        public float $lbPerAcre,
        public string $on,
        public string $what,
    ) {}

    /** Names it among the lines of its program. */
    public function key(): string
    {
        return "{$this->part}/{$this->product}/{$this->on}";
    }

    public function acres(): float
    {
        return Extent::ofSquareMetres($this->squareMetres)->acres();
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->whole('part'),
            $fields->text('label'),
            $fields->number('area_m2'),
            $fields->text('product'),
            $fields->text('name'),
            $fields->number('lb_per_acre'),
            $fields->text('on'),
            $fields->text('what', ''),
        );
    }

    public function toRow(): array
    {
        return [
            'part' => $this->part,
            'label' => $this->label,
            'area_m2' => $this->squareMetres,
            'product' => $this->product,
            'name' => $this->name,
            'lb_per_acre' => $this->lbPerAcre,
            'on' => $this->on,
            'what' => $this->what,
        ];
    }
}
