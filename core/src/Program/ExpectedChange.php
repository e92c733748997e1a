<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/**
 * What a school says a rate will do to a result: the change it expects for what is really spread.
 *
 * Quantity and unit: `from` and changes in the home unit of the analyte (pH, ppm); rates in lb an acre of what the line is of.
 * Rule: change = (spread - zero) x perLb. `zero` is the rate that leaves the result as it is: 0 for lime and sulphur, what the
 * crop removes for phosphate and potash. A rate of the school is for the whole way to its target; the way is taken as straight.
 * Domain: `perLb` is not 0.
 */
final readonly class ExpectedChange implements Stored
{
    public function __construct(
        public string $school,
        public string $analyte,
        public string $extractant,
        public float $from,
        public float $zeroLb,
        public float $perLb,
    ) {}

    /** What so many lb an acre change. */
    public function of(float $lbPerAcre): float
    {
        return ($lbPerAcre - $this->zeroLb) * $this->perLb;
    }

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->text('school'),
            $fields->text('analyte'),
            $fields->text('extractant'),
            $fields->number('from'),
            $fields->number('zero_lb'),
            $fields->number('per_lb'),
        );
    }

    public function toRow(): array
    {
        return [
            'school' => $this->school,
            'analyte' => $this->analyte,
            'extractant' => $this->extractant,
            'from' => $this->from,
            'zero_lb' => $this->zeroLb,
            'per_lb' => $this->perLb,
        ];
    }
}
