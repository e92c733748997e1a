<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Reading;
use App\Models\Sample;
use App\Models\SignedVerdict;
use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Agronomy\Lime\LabPh;
use HonestCore\Agronomy\Lime\LimeAdvice;
use HonestCore\Agronomy\Lime\PooledPh;

/** What may be recommended from one composite, and the readings and the verdict that it rests on. */
final readonly class Advised
{
    public function __construct(
        public LimeAdvice $advice,
        public ?Sample $sample,
        public ?LabPh $lab,
        public ?Reading $labReading,
        public ?KitDirection $kit,
        public ?Reading $kitReading,
        public ?SignedVerdict $verdict,
        public ?PooledPh $pooled,
    ) {}

    /**
     * The claim that its pH is heard under.
     *
     * @return 'lab'|'rate'|'sort'|'none'
     */
    public function phClaim(): string
    {
        return match (true) {
            $this->lab !== null => $this->lab->test === '' ? 'lab' : 'rate',
            $this->kit !== null && $this->kit->counts() => 'sort',
            default => 'none',
        };
    }

    /** Is the pH being corrected, so that the next test is due sooner? */
    public function corrects(): bool
    {
        return in_array($this->advice->kind, ['amount', 'direction', 'too_high', 'stop'], true);
    }
}
