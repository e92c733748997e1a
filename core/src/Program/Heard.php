<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Amounts\TestedValue;
use HonestCore\Analyte\Analyte;
use HonestCore\Analyte\SoilUnit;

/**
 * What is heard of one analyte: a result that may size, a test that may point, and whose they are in words.
 *
 * Quantity and unit: the home unit of the analyte; the uncertainty beside it is the expanded one.
 */
final readonly class Heard
{
    /** @param string $from sample, method and day, in words; empty where nothing was measured */
    public function __construct(
        public Analyte $analyte,
        public ?TestedValue $tested,
        public ?KitDirection $kit,
        public string $from,
    ) {}

    public function value(): ?float
    {
        return $this->tested?->value;
    }

    /**
     * The claim that it is heard under: a lab's result, a test whose rate stands, one whose sort stands, or none.
     *
     * @return 'lab'|'rate'|'sort'|'none'
     */
    public function claim(): string
    {
        return match (true) {
            $this->tested !== null && $this->tested->test === '' => 'lab',
            $this->tested !== null => 'rate',
            $this->kit !== null && $this->kit->counts() => 'sort',
            default => 'none',
        };
    }

    /** The result as it stands on a page, with its uncertainty where anybody stated one. */
    public function shown(): string
    {
        if ($this->tested === null) {
            return $this->kit === null ? '' : "{$this->kit->test} reads {$this->kit->band}";
        }
        $unit = $this->analyte->isUnitless() ? '' : ' '.SoilUnit::named($this->analyte->homeUnit)->symbol();
        $digits = $this->analyte->digits;

        return number_format($this->tested->value, $digits).
            ($this->tested->expanded === null ? '' : ' ± '.number_format($this->tested->expanded, $digits)).
            $unit.
            ($this->tested->test !== ''
                ? " by {$this->tested->test}"
                : ($this->tested->extractant === '' || ! $this->analyte->needsExtractant ? '' : ", {$this->tested->extractant}"));
    }

    /** How sure it is, in words. */
    public function sure(): string
    {
        return match (true) {
            $this->claim() === 'none' => 'Nothing of it stands.',
            $this->claim() === 'sort' => 'A direction only: its sort claim stands, its rate claim does not.',
            $this->tested?->expanded === null => 'How sure it is has not been stated for its lab.',
            $this->claim() === 'rate' => 'Its rate claim stands.',
            default => '',
        };
    }
}
