<?php

declare(strict_types=1);

namespace App\Actions\Verdicts;

use App\Models\SignedVerdict;

/** A signed verdict, why it speaks no more, and what of that which is in use now it was not asked for. */
final readonly class ShownVerdict
{
    /** @param list<string> $ended */
    public function __construct(public SignedVerdict $verdict, public array $ended, public string $silentOn = '') {}
}
