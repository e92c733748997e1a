<?php

declare(strict_types=1);

namespace App\Console;

use Symfony\Component\Console\Exception\ExceptionInterface;

/** An option, argument or line that a command cannot use: the line that it prints and ends with status 2. */
final class BadInput extends \InvalidArgumentException implements ExceptionInterface
{
    public static function because(string $place, string $wrong, string $accepted): self
    {
        return new self("{$place}: {$wrong}; accepted is {$accepted}.");
    }
}
