<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Models\Area;
use App\Models\JudgingPolicy;
use App\Models\Sample;
use HonestCore\Agronomy\Crop;

/** What may be recommended for an area, and all that it rests on. */
final readonly class Recommendation
{
    /**
     * @param Advised $chosen by the composite that is looked at
     * @param list<Sample> $earlier other composites with a pH reading
     * @param list<Advised> $parts of the newest round, where it was pulled in more than one
     * @param int $partsPlanned how many its plan laid out
     * @param list<string> $disagreements composites of the same year that call for another action
     */
    public function __construct(
        public Area $area,
        public Crop $crop,
        public Advised $chosen,
        public JudgingPolicy $policy,
        public array $earlier,
        public array $parts,
        public int $partsPlanned,
        public array $disagreements,
    ) {}

    /** Is the pH being corrected anywhere on it, so that the next test is due sooner? */
    public function corrects(): bool
    {
        return array_filter([$this->chosen, ...$this->parts], static fn (Advised $one): bool => $one->corrects()) !== [];
    }

    /** @return list<string> the kinds of answer, each once: more than one where parts differ */
    public function kinds(): array
    {
        return array_values(
            array_unique([
                $this->chosen->advice->kind,
                ...array_map(static fn (Advised $one): string => $one->advice->kind, $this->parts),
            ]),
        );
    }
}
