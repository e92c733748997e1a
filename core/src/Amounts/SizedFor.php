<?php

declare(strict_types=1);

namespace HonestCore\Amounts;

/**
 * What amounts are sized for, as far as it is known.
 *
 * Quantity and unit: yield in bushels, of alfalfa tons, an acre; CEC in cmol/kg.
 * `crops` are those that the ground's use leaves to choose from; a crop that was not chosen is not guessed.
 */
final readonly class SizedFor
{
    /** @param list<string> $crops codes of NutrientQuestion */
    public function __construct(
        public array $crops,
        private ?string $chosen = null,
        public ?float $yield = null,
        public ?float $cec = null,
    ) {}

    public function crop(): ?string
    {
        return in_array($this->chosen, $this->crops, true) ? $this->chosen : null;
    }
}
