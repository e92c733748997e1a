<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Reading;
use App\Models\Sample;
use App\Models\Verdict;
use HonestCore\Agronomy\Crop;
use HonestCore\Agronomy\Lime\KitDirection;
use HonestCore\Agronomy\Lime\LabPh;
use HonestCore\Agronomy\Lime\LimeAdvice;

/** What may be recommended for an area, and all that it rests on. */
final readonly class Recommendation
{
    /**
     * @param list<Sample> $earlier composites with a pH reading that the newest one goes before
     * @param list<string> $disagreements composites of the same year that call for another action
     */
    public function __construct(
        public Area $area,
        public Crop $crop,
        public LimeAdvice $advice,
        public ?Sample $sample,
        public ?LabPh $lab,
        public ?Reading $labReading,
        public ?KitDirection $kit,
        public ?Reading $kitReading,
        public ?Verdict $verdict,
        public JudgingPolicy $policy,
        public array $earlier,
        public array $disagreements,
    ) {}

    /** Is the pH being corrected, so that the next test is due sooner? */
    public function corrects(): bool
    {
        return in_array($this->advice->kind, ['amount', 'direction', 'too_high'], true);
    }
}
