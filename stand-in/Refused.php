<?php

declare(strict_types=1);

namespace StandIn;

/** What the stand-in does not take, with its HTTP status. */
final class Refused extends \RuntimeException
{
    public function __construct(string $message, int $status)
    {
        parent::__construct($message, $status);
    }
}
