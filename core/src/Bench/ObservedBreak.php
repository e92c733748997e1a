<?php

declare(strict_types=1);

namespace HonestCore\Bench;

/** A break of the protocol that happened, by its code in data/protocol-breaks.json, and in words. */
final readonly class ObservedBreak
{
    public function __construct(public string $code, public string $words) {}
}
