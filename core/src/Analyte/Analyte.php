<?php

declare(strict_types=1);

namespace HonestCore\Analyte;

/**
 * Something that is measured in soil: how it is named, the unit it is compared in and what it can possibly be.
 *
 * Quantity and unit: `low` and `high` in the home unit, the ends of what soil can give.
 * Source: one row of data/analytes.json.
 */
final readonly class Analyte
{
    public const GROUPS = ['ph', 'buffer', 'nutrient', 'organic', 'capacity', 'conductivity', 'texture', 'share'];

    /**
     * @param list<string> $symbols as P and Ca
     * @param list<string> $words of labs, folded to plain small letters; a star stands for any ending
     * @param list<string> $forms that labs report it in, its own first; empty where there is one alone
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $homeUnit,
        public float $low,
        public float $high,
        public int $digits,
        public array $symbols,
        public array $words,
        public string $element,
        public ?int $charge,
        public array $forms,
        public string $group,
        public bool $needsExtractant,
        public bool $isOfContract,
    ) {}

    /** A share of the exchange capacity is held against the bases and is a result of none of them. */
    public function isShare(): bool
    {
        return $this->group === 'share';
    }

    /** Has it no unit, as pH? */
    public function isUnitless(): bool
    {
        return $this->homeUnit === 'pH';
    }

    public function isPossible(float $home): bool
    {
        return $home >= $this->low && $home <= $this->high;
    }

    /** What is possible, in words. */
    public function possible(): string
    {
        return "{$this->low} to {$this->high}".
            ($this->isUnitless() ? '' : ' '.SoilUnit::named($this->homeUnit)->symbol());
    }

    /** The form a figure is of when its column names none. */
    public function ownForm(): string
    {
        return $this->forms[0] ?? '';
    }
}
