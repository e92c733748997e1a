<?php

declare(strict_types=1);

namespace App\Exceptions;

/** What was asked cannot be done with what was given, whatever is on record: something else must be given. */
final class Refused extends Worded
{
    protected function catalogue(): string
    {
        return 'refusals';
    }
}
