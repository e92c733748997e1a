<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Models\PracticeField;
use HonestCore\Practice\PracticeChoices;
use HonestCore\Practice\PracticeCost;
use HonestCore\Practice\TruthMap;
use HonestCore\Simulation\Stakes;

/** A season on a practice ground: what was done and believed, and what is true. */
final readonly class SeasonView
{
    /**
     * @param list<AreaOnGround> $areas
     * @param list<CompositeOnGround> $composites
     * @param list<array{float, float}> $cores metres
     * @param PracticeChoices|null $choices null where nothing was pulled
     */
    public function __construct(
        public PracticeField $field,
        public TruthMap $map,
        public int $day,
        public array $areas,
        public array $composites,
        public ?PracticeChoices $choices,
        public PracticeCost $cost,
        public Stakes $stakes,
        public array $cores,
    ) {}
}
