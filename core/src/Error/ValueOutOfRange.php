<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A number lies outside the domain of what was asked. */
final class ValueOutOfRange extends Refusal
{
    /** @pure */
    public static function of(string $name, float|int $given, string $accepted, string $unit = ''): self
    {
        $unit = $unit === '' ? '' : " {$unit}";

        return new self("{$name} must be {$accepted}{$unit}, {$given}{$unit} given.");
    }

    /** @pure */
    public function errorCode(): string
    {
        return 'value_out_of_range';
    }
}
