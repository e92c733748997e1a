<?php

declare(strict_types=1);

namespace App\Actions\Decide;

use HonestCore\Record\ChainHead;

/** Whether a signed verdict still says what was signed, and whether the evidence is still what it rests on. */
final readonly class VerdictCheck
{
    /**
     * @param bool|null $pairsHold whether the pairs kept with it give its hash; null where none were kept
     * @param bool $rowHolds whether its row says what its link in the team's chain says
     * @param ChainHead $head of the team's chain, to be compared with one that was kept
     * @param bool $moved whether the evidence has changed since
     */
    public function __construct(
        public ?bool $pairsHold,
        public bool $rowHolds,
        public ChainHead $head,
        public bool $moved,
    ) {}
}
