<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use HonestCore\Practice\Lesson;
use HonestCore\Practice\PracticeCost;

/** What a practice ground truly was, beside a season on it. */
final readonly class RevealView
{
    /**
     * @param list<VerdictOnGround> $verdicts
     * @param array<string, float> $dearest money by choice
     * @param bool|null $made was the lesson's mistake made; null without a lesson
     */
    public function __construct(
        public SeasonView $season,
        public array $verdicts,
        public PracticeCost $careful,
        public array $dearest,
        public ?Lesson $lesson,
        public ?bool $made,
    ) {}
}
