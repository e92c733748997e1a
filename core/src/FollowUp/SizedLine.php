<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

use HonestCore\Program\ExpectedChange;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * A line of a signed program that corrects something: how much, on which part and soil, and what its school expects of it.
 *
 * Quantity and unit: square metres; lb an acre of what the line is of. Programs of before there were expectations have none.
 */
final readonly class SizedLine implements Stored
{
    private const ANALYTES = ['lime' => 'ph', 'sulphur' => 'ph', 'p2o5' => 'p', 'k2o' => 'k'];

    private function __construct(
        public int $part,
        public float $squareMetres,
        public string $soil,
        public string $key,
        public float $lbPerAcre,
        public ?ExpectedChange $expects,
    ) {}

    public static function of(Fields $part, Fields $line): self
    {
        return self::fromRow([
            'part' => $part->whole('number'),
            'area_m2' => $part->number('area_m2'),
            'soil' => $part->textOrNull('soil') ?? '',
            'key' => $line->text('key'),
            'lb_per_acre' => $line->number('lb_per_acre'),
            'expects' => $line->rowOrNull('expects'),
        ]);
    }

    public function analyte(): string
    {
        return self::ANALYTES[$this->key] ?? '';
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $expects = $fields->rowOrNull('expects');

        return new self(
            $fields->whole('part'),
            $fields->number('area_m2'),
            $fields->text('soil', ''),
            $fields->text('key'),
            $fields->number('lb_per_acre'),
            $expects === null ? null : ExpectedChange::fromRow($expects),
        );
    }

    public function toRow(): array
    {
        return [
            'part' => $this->part,
            'area_m2' => $this->squareMetres,
            'soil' => $this->soil,
            'key' => $this->key,
            'lb_per_acre' => $this->lbPerAcre,
            'expects' => $this->expects?->toRow(),
        ];
    }
}
