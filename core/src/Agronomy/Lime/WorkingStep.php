<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

/** One line of arithmetic as it is shown: what, how, and the figure with its unit. */
final readonly class WorkingStep
{
    public function __construct(public string $what, public string $how, public float $value, public string $unit) {}

    /** @return array{what: string, how: string, value: float, unit: string} */
    public function toArray(): array
    {
        return ['what' => $this->what, 'how' => $this->how, 'value' => $this->value, 'unit' => $this->unit];
    }
}
