<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A number lies outside the domain of what was asked. */
final class ValueOutOfRange extends Refusal
{
    /**
     * @param array{low: float, high: float}|null $bounds where they are numbers
     *
     * @pure
     */
    public static function of(
        string $name,
        float|int $given,
        string $accepted,
        string $unit = '',
        ?array $bounds = null,
    ): self {
        $behind = $unit === '' ? '' : " {$unit}";

        return new self(
            "{$name} must be {$accepted}{$behind}, {$given}{$behind} given.",
            facts: ['place' => $name, 'value' => $given, 'accepted' => $accepted, 'unit' => $unit] + ($bounds ?? []),
        );
    }

    /** @pure */
    public function errorCode(): string
    {
        return 'value_out_of_range';
    }
}
