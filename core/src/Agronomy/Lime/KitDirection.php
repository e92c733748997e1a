<?php

declare(strict_types=1);

namespace HonestCore\Agronomy\Lime;

use HonestCore\Agreement\Verdict;

/**
 * What a cheap test has to say about lime: the action it sorts to, and the verdict its sort claim was signed with.
 *
 * Quantity and unit: pH ranges of bands. `seenFrom` and `seenTo` bound the readings the verdict rests on; outside
 * of them it does not speak, nor on `silentOn`: a lot or a season that it was not asked for.
 * `tooClose` says between which figures the reference would have found it, where a limit lies between them.
 */
final readonly class KitDirection
{
    public function __construct(
        public string $test,
        public string $band,
        public float $bandMiddle,
        public ?string $action,
        public ?Verdict $signed,
        public ?float $seenFrom = null,
        public ?float $seenTo = null,
        public string $silentOn = '',
        public string $tooClose = '',
    ) {}

    /** Does a signed verdict that stands cover this reading? */
    public function counts(): bool
    {
        return $this->signed === Verdict::Stands && $this->action !== null && $this->silentOn === '' && $this->tooClose === '' &&
            $this->inScope();
    }

    public function inScope(): bool
    {
        return $this->seenFrom !== null &&
            $this->seenTo !== null &&
            $this->bandMiddle >= $this->seenFrom &&
            $this->bandMiddle <= $this->seenTo;
    }
}
