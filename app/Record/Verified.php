<?php

declare(strict_types=1);

namespace App\Record;

use HonestCore\Record\ChainFault;
use HonestCore\Record\ChainHead;

/** How far a team's chain was walked, and what did not fit; no fault where everything does. */
final readonly class Verified
{
    public function __construct(public ChainHead $head, public ?ChainFault $fault) {}
}
