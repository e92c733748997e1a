<?php

declare(strict_types=1);

namespace App\Exceptions;

/** The request was sound, but what it was based on has changed or is closed. */
final class Conflict extends Worded
{
    protected function catalogue(): string
    {
        return 'conflicts';
    }
}
