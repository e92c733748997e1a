<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** A published table does not reach the value asked for. */
final class OutsideTable extends Refusal
{
    /** @pure */
    public static function of(string $table, string $name, float $given, float $from, float $to): self
    {
        return new self("{$table} covers {$name} from {$from} to {$to}, {$given} given.");
    }

    /** @pure */
    public function errorCode(): string
    {
        return 'outside_table';
    }
}
