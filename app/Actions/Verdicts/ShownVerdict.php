<?php

declare(strict_types=1);

namespace App\Actions\Verdicts;

use App\Models\SignedVerdict;

/** A signed verdict, and why it speaks no more; no reason while it does. */
final readonly class ShownVerdict
{
    /** @param list<string> $ended */
    public function __construct(public SignedVerdict $verdict, public array $ended) {}
}
